import { contentOf, subjectOfFile } from '@/server/files'
import { route } from '@/server/route'

/** A file of an instrument as it came. */
export const GET = route(
  { need: 'file.read', subject: (params: { id: string }) => subjectOfFile(params) },
  async ({ params }) => {
    const { name, content } = await contentOf(params.id)
    return new Response(content, {
      headers: {
        'content-type': 'text/plain; charset=utf-8',
        'content-disposition': `attachment; filename="${name.replace(/[^A-Za-z0-9._ -]+/g, '-')}"`,
      },
    })
  },
)
