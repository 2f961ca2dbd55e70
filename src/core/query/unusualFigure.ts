import { contextOf, plannerFor } from '../operations/planners'
import { makeStep } from '../operations/makeStep'
import type { Query, QueryRule } from '../operations/query'
import { operationOf } from '../operations/registry'
import type { Plan, Step } from '../plan/plan'
import { typedFor } from '../plan/typedFor'
import { writeMinutes } from '../plan/duration'
import { writeNumber } from '../quantity/write'
import { asWords } from '../words/words'

/** A figure is asked about from this many times what is usual on: a digit too many looks like this. A choice of ours, not compared with a source. */
export const tenfold = 10

const clocks = [
  ['holdMin', 'The clock'],
  ['waitMin', 'The waiting'],
  ['handsOnMin', 'The work by hand'],
] as const

const minutesOf = (step: Step, key: (typeof clocks)[number][0]) => (key in step ? Number(step[key as keyof Step]) : 0)

/** Times of a step against those with which its operation begins; a day is never too long to leave something alone. */
function longTimes(step: Step, plan: Plan): Query[] {
  const operation = operationOf(step)
  if (!operation || operation === 'pause') return []
  const usual = makeStep(operation, { id: step.id, title: asWords('') }, plan)
  return clocks.flatMap(([key, what]) => {
    const [minutes, as] = [minutesOf(step, key), minutesOf(usual, key)]
    if (as <= 0 || minutes < tenfold * as) return []
    return [
      {
        id: `long-${key}-${step.id}`,
        about: step.id,
        title: `${writeMinutes(minutes)}: is that meant?`,
        evidence: `${what} of “${step.title}” is ${writeNumber(minutes / as, 0)} times the ${writeMinutes(as)} that are usual for it. A digit too many looks like this. Where it is meant, answer so.`,
      },
    ]
  })
}

/** Where nothing is suggested, what is beyond these is asked about: no group of a class works with so much, for so long or so hot. Choices of ours, not compared with a source. */
const beyond: Readonly<Record<string, number>> = { mL: 1000, g: 500, min: 1440, h: 48, s: 3600, '°C': 300 }

/**
 * A time, volume, mass or temperature of a step ten times beyond what is usual for it: beyond the time its operation begins with, or what its planner would take. A click into a
 * field that adds digits to what stood there looks like this; what is meant is answered so.
 */
export const unusualFigure: QueryRule = (plan, table, lab) =>
  plan.steps.flatMap((step) => {
    const found = longTimes(step, plan)
    const planner = plannerFor(step)
    const typed = Object.entries(typedFor(step)).filter(([, value]) => typeof value === 'number') as [string, number][]
    if (!planner || typed.length === 0) return found
    const suggested = planner.suggest(contextOf(plan, table, step, lab), {})
    for (const [key, value] of typed) {
      const field = planner.fields.find((each) => each.key === key)
      if (field?.kind !== 'number' || !(field.unit in beyond)) continue
      // What stands in for a figure that nobody knows is no measure of one that was typed.
      const said = suggested[key]
      const usual = said && said.from !== 'unknown' ? said.value : undefined
      const known = typeof usual === 'number' && usual > 0
      const much = known && value >= tenfold * usual
      const most = beyond[field.unit]!
      const large = !much && value > most && !(known && usual > most / 2)
      if (!much && !large) continue
      found.push({
        id: `far-${key}-${step.id}`,
        about: step.id,
        title: `${writeNumber(value, value % 1 === 0 ? 0 : 2)} ${field.unit}: is that meant?`,
        evidence: `${field.label} of “${step.title}” is ${much ? `${writeNumber(value / usual, 0)} times the ${writeNumber(usual, usual < 10 ? 1 : 0)} ${field.unit} that would be taken here` : `more than the ${writeNumber(most, 0)} ${field.unit} beyond which no group of a class goes`}. A digit too many looks like this. Where it is meant, answer so.`,
      })
    }
    return found
  })
