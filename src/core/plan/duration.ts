import type { Plan } from './plan'

/** Minutes from the start at which each step begins, and the totals, when steps follow one another. */
export function timeline(plan: Plan): { startMin: Record<string, number>; handsOnMin: number; waitMin: number } {
  const startMin: Record<string, number> = {}
  let [handsOnMin, waitMin] = [0, 0]
  for (const step of plan.steps) {
    startMin[step.id] = handsOnMin + waitMin
    handsOnMin += step.handsOnMin
    waitMin += step.waitMin
  }
  return { startMin, handsOnMin, waitMin }
}

/** Minutes as a span: `2 h 35 min`. */
export function writeMinutes(minutes: number): string {
  const hours = Math.floor(minutes / 60)
  const rest = Math.round(minutes % 60)
  if (hours === 0) return `${rest} min`
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`
}
