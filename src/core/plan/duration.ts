import type { Plan, Step } from './plan'

/** The steps of one day, and how long it takes when they follow one another. */
export interface Day {
  steps: Step[]
  /** Minutes from the start of the day at which each step begins. */
  startMin: Record<string, number>
  handsOnMin: number
  waitMin: number
}

/** A plan parted into days: a pause that ends the day is its last step. A pause at the very end begins no further day. */
export function days(plan: Plan): Day[] {
  const all: Day[] = []
  let today: Day | undefined
  for (const step of plan.steps) {
    if (!today) all.push((today = { steps: [], startMin: {}, handsOnMin: 0, waitMin: 0 }))
    today.startMin[step.id] = today.handsOnMin + today.waitMin
    today.steps.push(step)
    today.handsOnMin += step.handsOnMin
    today.waitMin += step.waitMin
    if (step.kind === 'pause' && step.endsDay) today = undefined
  }
  return all
}

/** How long the steps take when they follow one another, minutes; at the least and at the most where somebody has said so, as usual where not. */
export function lengthOf(steps: readonly Step[]): { least: number; usual: number; most: number } {
  const sum = (of: (step: Step) => number) => steps.reduce((total, step) => total + of(step), 0)
  return {
    least: sum(({ minutes, handsOnMin, waitMin }) => (minutes?.handsOn?.least ?? handsOnMin) + (minutes?.wait?.least ?? waitMin)),
    usual: sum(({ handsOnMin, waitMin }) => handsOnMin + waitMin),
    most: sum(({ minutes, handsOnMin, waitMin }) => (minutes?.handsOn?.most ?? handsOnMin) + (minutes?.wait?.most ?? waitMin)),
  }
}

/** Minutes as a span: `2 h 35 min`. */
export function writeMinutes(minutes: number): string {
  const hours = Math.floor(minutes / 60)
  const rest = Math.round(minutes % 60)
  if (hours === 0) return `${rest} min`
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`
}
