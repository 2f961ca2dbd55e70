import { boolean, mixed, object, string } from 'yup'
import type { Substance } from '@/core/substance/substance'
import { newIsolation, newPlan } from '@/core/edit/newPlan'
import { readPlanFile } from '@/core/format/planFile'
import { startPreparation } from '@/server/preparations'
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
      start: mixed<Substance>(),
      product: mixed<Substance>(),
      /** True where nothing is made: the product is got out of what it starts from. */
      isolation: boolean(),
    }),
  },
  ({ params, body, actor }) => {
    if (body.file === undefined && (!isSubstance(body.start) || !isSubstance(body.product)))
      throw new Refusal(400, 'Choose what it starts from and what it makes.')
    const begin = body.isolation ? newIsolation : newPlan
    const plan = body.file === undefined ? begin(body.title || 'Untitled', body.start!, body.product!) : readPlanFile(body.file)
    return startPreparation(params.id, plan, personOf(actor).id)
  },
)

/** As much of a substance as a plan is begun with; the rest is checked with the plan. */
function isSubstance(value: unknown): boolean {
  const { id, name, formula } = (value ?? {}) as Partial<Record<keyof Substance, unknown>>
  return typeof id === 'string' && typeof name === 'string' && (formula === undefined || typeof formula === 'string')
}
