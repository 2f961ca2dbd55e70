import { often } from '@/test-support/often'
import { type Plan, type Step, type Work } from '@/core/plan/plan'
import { changeStep } from '@/core/plan/editPlan'
import { addStep } from '@/core/edit/addStep'
import type { OperationKey } from '@/core/operations/registry'
import { planners } from '@/core/operations/planners'
import { operationOf } from '@/core/operations/registry'
import { asWords } from '@/core/words/words'
import { plans } from './plans'

/** So many steps of the demo are turned through for each planner. */
const stepsEach = often(1, 3)

export interface Place {
  name: string
  plan: Plan
  step: Step
}

/** No preparation of the demo has these: steps of them are put behind the first step of one, filled like this. */
const besides: Partial<Record<OperationKey, readonly Omit<Work, 'of'>[]>> = {
  dilute: [{ fromMolPerL: 3, toMolPerL: 0.5, toML: 100 }, { fromMolPerL: 12, toMolPerL: 3, toML: 40 }, {}],
  'make-up': [
    { what: 'acetic acid', molPerL: 1, toML: 100 },
    { what: 'acetic acid', from: 'stronger', fromMolPerL: 17.4, molPerL: 2, toML: 250 },
    { what: 'acetanilide', strength: 'saturated', toML: 100, atC: 20 },
    {},
  ],
  titrate: [
    { molPerL: 0.1, titrantPercent: 0.5, aliquotML: 25, perMol: 1 },
    { finds: 'titrant', standard: 'acetanilide', standardG: 0.5, flaskML: 100, aliquotML: 25 },
    {},
  ],
}

const placesIn = (plan: Plan, operation: OperationKey): Place[] =>
  plan.steps.flatMap((step): Place[] =>
    operationOf(step) === operation ? [{ name: `${operation} ${step.id} of ${plan.title}`, plan, step }] : [],
  )

/** Steps of the demo as they do not stand there: with water to carry over, with stages, without a volume of solvent, without a drying agent of their own. */
function otherwise(): Place[] {
  const planOf = (title: string) => plans.find((plan) => plan.title === title)!
  const place = (title: string, id: string, name: string, change: (plan: Plan) => Plan): Place => {
    const plan = change(planOf(title))
    const step = plan.steps.find((each) => each.id === id)!
    return { name: `${operationOf(step)} ${id} of ${title}, ${name}`, plan, step }
  }
  const distils = (name: string, work: Omit<Work, 'of'>) =>
    place('Isopentyl acetate', 'distil', name, (plan) => changeStep(plan, 'distil', { work: { of: 'distil', ...work } }))
  const withoutVolume = (title: string, line: string) =>
    place(title, 'crystallise', 'without a volume', (plan) => ({
      ...plan,
      lines: plan.lines.map((each) => (each.id === line ? { ...each, anchor: null } : each)),
    }))
  const ester = { name: 'isopentyl acetate', mmol: 40 }
  const water = (mmol: number) => ({ name: 'water', mmol })
  const alcohol = { name: 'isopentyl alcohol', mmol: 12 }
  return [
    distils('with water', { components: [ester, water(3000)], potML: 250, lowC: 90, highC: 100, stopML: 10 }),
    distils('with too little water', { components: [ester, water(60)], potML: 100, lowC: 90, highC: 100 }),
    distils('with stages', { components: [ester, alcohol], stages: 1, reflux: 2, holdUpML: 1, potML: 25 }),
    withoutVolume('Acetanilide', 'hot-water'),
    withoutVolume('Recrystallising 4-methylbenzoic acid', 'ethanol'),
    place('Isopentyl acetate', 'dry-ester', 'without its solid', (plan) => changeStep(plan, 'dry-ester', { text: asWords('') })),
  ]
}

/** The steps of the demo on which the planners are turned. */
export const places = (): Place[] => [
  ...otherwise(),
  ...(Object.keys(planners) as OperationKey[]).flatMap((operation) =>
    besides[operation]
      ? besides[operation].flatMap((work, index) => {
          const { plan, id } = addStep(plans[0]!, operation, plans[0]!.steps[1]!.id)
          const filled = changeStep(plan, id, { work: { of: operation, ...work } })
          return placesIn(filled, operation).map((place) => ({ ...place, name: `${place.name}, ${index + 1}` }))
        })
      : plans.flatMap((plan) => placesIn(plan, operation)).slice(0, stepsEach),
  ),
]
