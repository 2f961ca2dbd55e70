import { pictureOf, subjectOfPicture } from '@/server/pictures'
import { route } from '@/server/route'

/** The picture of an entry, fetched when it is looked at. */
export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }, people) => subjectOfPicture(id, people) },
  async ({ params }) =>
    new Response(new Uint8Array(await pictureOf(params.id)), {
      // It never changes, and it may be forgotten: nobody keeps it for long.
      headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=600' },
    }),
)
