import { stepContents } from '../operations/vessel/contents'
import { operationOf } from '../operations/registry'
import { mainSubstance, type Plan } from '../plan/plan'
import { type FunctionalGroup, type Substance } from '../substance/substance'
import type { Query, QueryRule } from './query'

interface Unsuitable {
  formula: string
  groups: readonly FunctionalGroup[]
  why: string
}

/** Drying agents that hold back, or react with, what is to be dried (the usual rules of the teaching laboratory). */
const unsuitable: readonly Unsuitable[] = [
  { formula: 'CaCl2', groups: ['alcohol', 'phenol', 'amine'], why: 'calcium chloride binds it and keeps it' },
  { formula: 'K2CO3', groups: ['carboxylic acid', 'phenol'], why: 'potassium carbonate takes it up as its salt' },
  { formula: 'KOH', groups: ['carboxylic acid', 'phenol', 'ester', 'aldehyde'], why: 'potassium hydroxide reacts with it' },
]

/** A drying agent that would take the product with it, and one that is a hydrate already and takes no water. */
export const dryingAgent: QueryRule = (plan, table) => {
  const contents = stepContents(plan, table)
  return plan.steps.flatMap((step): Query[] => {
    if (operationOf(step) !== 'dry-solution') return []
    const inside = contents.find((each) => each.step === step.id)!.contents
    const agents = inside.filter(
      ({ line, substance }) => line.role === 'work-up' && line.form.kind === 'solid' && substance.formula,
    )
    const hydrate = agents.find(
      ({ line, substance }) => substance.formula!.includes('·') || (line.form.kind === 'solid' && line.form.water),
    )
    if (hydrate)
      return [
        {
          id: `wet-agent-${step.id}`,
          about: step.id,
          title: 'The drying agent is a hydrate',
          evidence: `${hydrate.substance.name} has its water already and takes up little or none. Take the anhydrous salt.`,
        },
      ]
    for (const { substance } of agents) {
      const rule = unsuitable.find(({ formula }) => formula === substance.formula)
      const product = rule && keptBy(plan, rule)
      if (product)
        return [
          {
            id: `agent-${step.id}`,
            about: step.id,
            title: `Not ${substance.name} for ${product.name}`,
            evidence: `${product.name} is ${product.groups!.includes('amine') || product.groups![0] === 'alcohol' ? 'an' : 'a'} ${product.groups!.find((group) => rule.groups.includes(group))}: ${rule.why}. Magnesium or sodium sulfate leaves it alone.`,
          },
        ]
    }
    return []
  })
}

function keptBy(plan: Plan, { groups }: Unsuitable): Substance | undefined {
  const product = mainSubstance(plan)
  return product?.groups?.some((group) => groups.includes(group)) ? product : undefined
}
