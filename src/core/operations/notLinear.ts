import { printed } from '../words/words'
import { operationIn } from './registry'
import type { Plan } from '../plan/plan'
import { timeFactor } from '../quantity/timeFactor'
import { writeNumber } from '../quantity/write'

/** Something of a plan that does not grow in proportion when it is scaled. */
export interface NotLinear {
  about: string
  words: string
}

/** What to look at again when a plan is scaled: times of addition and cooling with a figure, heat, gas, fixed amounts, vessels. */
export function notLinear(plan: Plan, factor: number): NotLinear[] {
  const times = writeNumber(timeFactor(factor), 2)
  const slow = plan.steps.filter((step) => operationIn(step)?.slowsWithScale)
  const gas = plan.steps.filter(({ says }) => says?.includes('gas-comes'))
  const fixed = plan.lines.filter((line) => line.fixed)
  return [
    ...slow.map((step) => ({
      about: printed(step.title),
      words: `about ${times} times the time; ${writeNumber(step.handsOnMin + step.waitMin, 0)} min become ${writeNumber((step.handsOnMin + step.waitMin) * timeFactor(factor), 0)} min`,
    })),
    {
      about: 'Heat',
      words: `grows ${writeNumber(factor, 2)} times, the wall that it leaves through only ${writeNumber(factor ** (2 / 3), 2)} times: ${factor > 1 ? 'it grows hotter inside, so add more slowly and cool more' : 'it cools faster, so a reaction that keeps itself warm may need a bath'}`,
    },
    ...gas.map((step) => ({
      about: printed(step.title),
      words: `gas grows ${writeNumber(factor, 2)} times: look at the vent, the hood and the size of the vessel`,
    })),
    ...(fixed.length > 0
      ? [{ about: 'Fixed amounts', words: `${fixed.length === 1 ? 'one line stays' : `${fixed.length} lines stay`} as planned` }]
      : []),
    { about: 'Vessels', words: 'the queries in the margin look at the fill of each again' },
  ]
}
