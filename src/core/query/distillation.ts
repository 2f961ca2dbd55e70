import { changeStep } from '../edit/editPlan'
import { operationOf } from '../operations/registry'
import { mainSubstance } from '../plan/plan'
import { typedFor } from '../plan/typedFor'
import { writeNumber } from '../quantity/write'
import type { Query, QueryRule } from './query'

/** A window narrower than this is within what pressure, stem and pocket do to a thermometer. */
const narrowC = 3

/** A distillation whose window is too narrow or misses the product, and one that nobody is told to stop before the flask is dry. */
export const distillation: QueryRule = (plan) =>
  plan.steps.flatMap((step): Query[] => {
    if (operationOf(step) !== 'distil') return []
    const found: Query[] = []
    const { lowC, highC } = typedFor(step)
    const window = lowC !== undefined && highC !== undefined
    const [low, high] = [Number(lowC), Number(highC)]
    const boils = plan.mainProduct === undefined ? undefined : mainSubstance(plan)?.boiling
    if (window && high - low < narrowC)
      found.push({
        id: `narrow-${step.id}`,
        about: step.id,
        title: 'The window is too narrow for a thermometer',
        evidence: `${writeNumber(low, 0)} to ${writeNumber(high, 0)} °C: the pressure of the day, the stem outside the vapour and a lagging pocket shift a reading by a degree or two each. Give at least ${narrowC} °C, better 5.`,
      })
    if (window && boils && (boils.highC < low || boils.lowC > high))
      found.push({
        id: `window-${step.id}`,
        about: step.id,
        title: 'The product boils outside the window',
        evidence: `${mainSubstance(plan)!.name} boils at ${writeNumber(boils.lowC, 0)} °C, the step collects ${writeNumber(low, 0)} to ${writeNumber(high, 0)} °C.`,
      })
    if (!step.says?.includes('stops-before-dry'))
      found.push({
        id: `to-dryness-${step.id}`,
        about: step.id,
        title: 'Nothing says when to stop',
        evidence: 'A flask that is distilled to dryness overheats, and peroxides left in it can explode.',
        remedy: {
          label: 'Add: never to dryness',
          apply: (current) =>
            changeStep(current, step.id, {
              caution: `${step.caution ? `${step.caution} ` : ''}Never to dryness: stop with a little left in the flask.`,
              says: [...(step.says ?? []), 'stops-before-dry'],
            }),
        },
      })
    return found
  })
