import acetanilideFile from '@/demo/plans/acetanilide.json'
import type { Line, Plan } from '@/core/plan/plan'

export const acetanilide = acetanilideFile as unknown as Plan

/** A plan with as many lines and steps as asked for, made of copies of acetanilide's. */
export function longPlan(lines: number, steps: number): Plan {
  const copies = <T extends { id: string }>(items: readonly T[], count: number) =>
    Array.from({ length: Math.max(0, count - items.length) }, (_, index): T => ({
      ...items[index % 6]!,
      id: `${items[index % 6]!.id}-${index}`,
    }))
  const extra = copies(acetanilide.lines, lines).map((line): Line => ({
    ...line,
    role: line.role === 'reactant' ? 'reagent' : line.role,
    coefficient: null,
  }))
  return {
    ...acetanilide,
    lines: [...acetanilide.lines, ...extra],
    steps: [...acetanilide.steps, ...copies(acetanilide.steps, steps)],
  }
}
