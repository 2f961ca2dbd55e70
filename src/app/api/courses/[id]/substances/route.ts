import { boolean, object, string } from 'yup'
import { route } from '@/server/route'
import { findSubstances, readSubstance } from '@/server/substances'

const ofCourse = async ({ id }: { id: string }) => ({ course: id })

export const GET = route({ need: 'plan.read', subject: ofCourse }, async ({ request }) => ({
  substances: findSubstances(request.nextUrl.searchParams.get('q') ?? ''),
}))

export const POST = route(
  {
    need: 'plan.write',
    subject: ofCourse,
    body: object({ name: string().defined(), formula: string(), structure: string().max(200_000), mixture: boolean() }),
  },
  async ({ body }) => readSubstance(body),
)
