import { addLine } from '../plan/editPlan'
import type { Plan } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { addStep } from './addStep'
import { operationKeys, operations, type OperationKey } from '../operations/registry'
import type { Operation } from '../operations/operation'

const standsFirst = (key: OperationKey) => (operations[key] as Operation).place === 'first'

/** A plan with nothing in it yet but what everybody wears. */
export const emptyPlan = (title: string): Plan => ({
  format: 'mozle-plan',
  version: 3,
  title,
  aim: '',
  substances: [],
  lines: [],
  reference: '',
  conditions: { above: '', below: '' },
  safety: {
    wear: ['Goggles, all the time', 'Lab coat, closed', 'Gloves that stand up to what is handled'],
    atHand: [],
    ownWords: '',
  },
  steps: [],
  answers: [],
})

/** A new preparation: one starting material and one product, one to one, and nothing else yet. */
export function newPlan(title: string, start: Substance, product: Substance, more: readonly Substance[] = []): Plan {
  const empty: Plan = { ...emptyPlan(title), mainProduct: '' }
  const withStart = addLine(empty, start, 'reactant')
  const withAll = more.reduce((plan, each) => addLine(plan, each, 'reactant'), withStart)
  const withBoth = addLine(withAll, product, 'product')
  const plan: Plan = { ...withBoth, reference: withBoth.lines[0]!.id, mainProduct: withBoth.lines.at(-1)!.id }
  return operationKeys.filter(standsFirst).reduce<Plan>((so, key) => addStep(so, key).plan, plan)
}

/** A new day of work that makes nothing and gets nothing back: a test day, a purification, a standardisation. */
export function newWork(title: string, material: Substance, more: readonly Substance[] = []): Plan {
  const { recoveries: _recoveries, ...plan } = newIsolation(title, material, material)
  const [line] = plan.lines
  const alone = {
    ...plan,
    lines: [line!],
    substances: plan.substances.filter(({ id }) => id === line!.substance),
    reference: line!.id,
  }
  return withReagents(alone, more)
}

/** A new isolation or separation: one material that is put in, one substance that is sought in it, and nothing else yet. */
export function newIsolation(title: string, material: Substance, sought: Substance, more: readonly Substance[] = []): Plan {
  const { mainProduct: _product, lines: _lines, substances: _substances, ...empty } = newPlan(title, material, sought)
  const withMaterial = addLine({ ...empty, lines: [], substances: [] }, material, 'material')
  const plan = addLine(withMaterial, sought, 'component')
  const [put, got] = plan.lines.map(({ id }) => id) as [string, string]
  return withReagents({ ...plan, reference: put, recoveries: [{ sample: 'purified', product: got, of: put }] }, more)
}

const withReagents = (plan: Plan, more: readonly Substance[]): Plan =>
  more.reduce((so, each) => addLine(so, each, 'reagent'), plan)
