import { boolean, object, string } from 'yup'
import { comparisonsIn } from '@/server/compared'
import { route } from '@/server/route'
import { findSubstances, readSubstance, substancesNear } from '@/server/substances'

const ofCourse = async ({ id }: { id: string }) => ({ course: id })

export const GET = route({ need: 'plan.read', subject: ofCourse }, async ({ request, params }) => {
  const asked = request.nextUrl.searchParams.get('q')?.slice(0, 200) ?? ''
  const comparisons = await comparisonsIn(params.id)
  const substances = findSubstances(asked, comparisons)
  return { substances, near: substances.length > 0 ? [] : substancesNear(asked, comparisons) }
})

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
