import { array, mixed, object, string } from 'yup'
import type { Plan } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { newIsolation, newPlan, newWork } from '@/core/edit/newPlan'
import { readPlanFile } from '@/core/format/planFile'
import { startPreparation } from '@/server/drafts'
import { Refusal } from '@/server/refusal'
import { personOf, route } from '@/server/route'

export const POST = route(
  {
    need: 'plan.write',
    subject: async ({ id }: { id: string }) => ({ course: id }),
    body: object({
      /** The text of a plan file; without one the preparation begins with a starting material and a product. */
      file: string(),
      title: string().trim().max(200),
      /** What it starts from: a reactant, or several. */
      starts: array(mixed<Substance>().required()).min(1, 'Choose what it starts from.').max(12),
      product: mixed<Substance>(),
      /** What it does: makes the product, gets it out of what it starts from, or neither, and then there is none. */
      does: string().oneOf(['makes', 'isolates', 'works'] as const),
    }),
  },
  ({ params, body, actor }) => {
    if (body.file === undefined && (!body.starts?.every(isSubstance) || (body.does !== 'works' && !isSubstance(body.product))))
      throw new Refusal(400, 'Choose what it starts from and what it makes.')
    const plan = body.file === undefined ? begun(body) : readPlanFile(body.file)
    return startPreparation(params.id, plan, personOf(actor).id)
  },
)

interface Asked {
  title?: string | undefined
  starts?: Substance[] | undefined
  product?: Substance | undefined
  does?: 'makes' | 'isolates' | 'works' | undefined
}

function begun({ title, starts = [], product, does }: Asked): Plan {
  const [start, ...more] = starts
  if (does === 'works') return newWork(title || 'Untitled', start!, more)
  return (does === 'isolates' ? newIsolation : newPlan)(title || 'Untitled', start!, product!, more)
}

/** As much of a substance as a plan is begun with; the rest is checked with the plan. */
function isSubstance(value: unknown): boolean {
  const { id, name, formula } = (value ?? {}) as Partial<Record<keyof Substance, unknown>>
  return typeof id === 'string' && typeof name === 'string' && (formula === undefined || typeof formula === 'string')
}
