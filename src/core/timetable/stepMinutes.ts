import { operationIn } from '../operations/registry'
import type { Step } from '../plan/plan'
import type { Minutes } from './work'

/** How long a step took in earlier classes, minutes in all, without standing in a queue. */
export interface Logged {
  least: number
  median: number
  most: number
  /** Groups that ended it, and groups that stopped in it, of which only is known that it took them longer. */
  ended: number
  stopped: number
}

export interface StepMinutes {
  hands: Minutes
  wait: Minutes
  /** From earlier classes; from the span that stands in the plan; or from its usual minutes alone, with the span that is taken where nobody has said one. */
  from: 'log' | 'plan' | 'assumed'
}

/**
 * What is taken where nobody has said how long a step may take: work with the hands between 0.7 and 1.6 times what is usual, waiting between 1 and 1.25 times. Judgement, not yet compared with any record.
 */
const assumed = { hands: { least: 0.7, most: 1.6 }, wait: { least: 1, most: 1.25 } }

/** So many groups must have ended a step before their times stand in place of the plan's. */
const enoughEnded = 4

/**
 * The minutes of a step. What earlier classes took goes before what was planned; it is parted into hands and waiting as the plan parts it. Where somebody stays beside it, its waiting is work.
 */
export function stepMinutes(step: Step, logged?: Logged): StepMinutes {
  const planned = {
    hands: around(step.handsOnMin, step.minutes?.handsOn, assumed.hands),
    wait: around(step.waitMin, step.minutes?.wait, assumed.wait),
  }
  const all = step.handsOnMin + step.waitMin
  const byLog = logged !== undefined && logged.ended >= enoughEnded && all > 0 && logged.median > 0
  const spans = byLog ? { hands: shareOf(logged, step.handsOnMin / all), wait: shareOf(logged, step.waitMin / all) } : planned
  const said = (step.handsOnMin === 0 || step.minutes?.handsOn) && (step.waitMin === 0 || step.minutes?.wait)
  const from = byLog ? 'log' : said ? 'plan' : 'assumed'
  if (!operationIn(step)?.watched) return { ...spans, from }
  return { hands: sumOf(spans.hands, spans.wait), wait: { least: 0, usual: 0, most: 0 }, from }
}

const around = (usual: number, span: { least: number; most: number } | undefined, factors: { least: number; most: number }) => ({
  least: Math.min(usual, span?.least ?? usual * factors.least),
  usual,
  most: Math.max(usual, span?.most ?? usual * factors.most),
})

const shareOf = ({ least, median, most }: Logged, share: number): Minutes => ({
  least: least * share,
  usual: median * share,
  most: most * share,
})

const sumOf = (one: Minutes, other: Minutes): Minutes => ({
  least: one.least + other.least,
  usual: one.usual + other.usual,
  most: one.most + other.most,
})
