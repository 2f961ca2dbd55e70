import { boolean, object, string } from 'yup'
import { route } from '@/server/route'
import { findSubstances, readSubstance } from '@/server/substances'

const ofCourse = async ({ id }: { id: string }) => ({ course: id })

export const GET = route({ need: 'plan.read', subject: ofCourse }, async ({ request }) => ({
  substances: await findSubstances(request.nextUrl.searchParams.get('q')?.slice(0, 200) ?? ''),
}))

export const POST = route(
  {
    need: 'plan.write',
    subject: ofCourse,
    body: object({
      name: string().defined().max(200),
      formula: string().max(120),
      structure: string().max(200_000),
      mixture: boolean(),
    }),
  },
  async ({ body }) => readSubstance(body),
)
