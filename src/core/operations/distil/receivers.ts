import type { DistilBlanks } from './blanks'
import { operationIn } from '../registry'
import { type Step } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import { volumeOf } from './mixture'
import { inOneRow, readHeads, type HeadReading } from './headReadings'
import { fact, when, type Context, type Report } from '../planner'

/** The window of a step: the blanks', or as the group at the bench widened it. */
export function windowOf(context: Context, filled: DistilBlanks): { lowC: number; highC: number } {
  return context.measured?.windows[context.step.id] ?? { lowC: filled.lowC, highC: filled.highC }
}

/** The steps of one distillation, one receiver each: those since the apparatus was last set up, to this one. */
function receiversUpTo({ plan, step }: Context): Step[] {
  const before = plan.steps.slice(0, plan.steps.indexOf(step) + 1)
  return before
    .slice(before.findLastIndex((each) => operationIn(each)?.setsUp) + 1)
    .filter((each) => operationIn(each)?.measures === 'head')
}

/** True where the apparatus was just set up: later receivers take over a pot that is already half empty. */
export const isFirstReceiver = (context: Context): boolean => receiversUpTo(context).length <= 1

/** The readings at the head since the first drop of all, with what every receiver before held. */
export function headsUpTo(context: Context): HeadReading[] {
  return inOneRow(receiversUpTo(context).map(({ id }) => context.measured?.heads[id] ?? []))
}

/** What was in the pot when the first receiver of this distillation was put on, mL: what came over since is measured, not planned. */
function startML(context: Context, filled: DistilBlanks): number {
  const [first] = receiversUpTo(context)
  return volumeOf(context, first && first.id !== context.step.id ? (context.filledOf(first) as unknown as DistilBlanks) : filled)
}

/** What the readings at the bench say: how much is over and left, the boiling range, and when to stop. */
export function asItRuns(context: Context, filled: DistilBlanks): Pick<Report, 'facts' | 'advice'> {
  const own = context.measured?.heads[context.step.id] ?? []
  const { lowC, highC } = windowOf(context, filled)
  const here = readHeads(own, lowC, highC)
  if (!here) return { facts: [], advice: [] }
  const potML = startML(context, filled)
  const overML = readHeads(headsUpTo(context), lowC, highC)!.overML
  const left = Math.max(0, potML - overML)
  const stopML = filled.stopML
  const range = `${writeNumber(here.firstC, 1)}–${writeNumber(here.lastC, 1)} °C`
  return {
    facts: [
      fact('left-now', 'left in flask and column', left, 'mL', 1, {
        how: `${writeNumber(potML, 1)} mL − ${writeNumber(overML, 1)} mL over; ${writeNumber((100 * left) / filled.potML, 0)} % of the flask`,
        atBench: true,
      }),
      { ...fact('range', 'boiling range so far', here.lastC - here.firstC, 'K', 1, { atBench: true }), text: range },
      fact('inside', `came between ${lowC} and ${highC} °C`, here.insideML, 'mL', 1, {
        how: `of ${writeNumber(here.overML, 1)} mL in this receiver; between two readings the head is taken to change evenly`,
        atBench: true,
      }),
    ],
    advice: [
      ...when(
        left <= stopML,
        'stop-now',
        'danger',
        `Lower the heat now: about ${writeNumber(left, 1)} mL are left in flask and column, and it must never run dry.`,
      ),
      ...when(
        left > stopML && left <= 2 * stopML + 1,
        'stop-soon',
        'doubt',
        `Only ${writeNumber(left, 1)} mL are left in flask and column: stop at ${writeNumber(stopML, 1)} mL.`,
      ),
      ...when(
        own.length > 1 && (here.lastC < lowC || here.lastC > highC),
        'outside-now',
        'doubt',
        `The head shows ${writeNumber(here.lastC, 1)} °C, ${here.lastC < lowC ? 'below' : 'above'} ${lowC} to ${highC} °C: change the receiver, or widen the window and say why.`,
      ),
    ],
  }
}
