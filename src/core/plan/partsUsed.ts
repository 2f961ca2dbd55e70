import { piecesOf } from '../words/pieces'
import type { Plan, Step } from './plan'

/** The lines that a step uses with the part of each, 1 for all of it: the charged one, and those that stand as fields in its words. */
export function partsUsed(step: Step): readonly PartUsed[] {
  const known = used.get(step)
  if (known) return known
  const parts = partsOf(step)
  used.set(step, parts)
  return parts
}

export interface PartUsed {
  line: string
  part: number
}

/** Steps are values, and most of them outlive a keystroke; every rule asks for their parts. */
const used = new WeakMap<Step, readonly PartUsed[]>()

function partsOf(step: Step): PartUsed[] {
  const named = piecesOf(step.text).flatMap((piece) => (piece.kind === 'line' ? [{ line: piece.line, part: piece.part }] : []))
  const own =
    step.kind === 'charge'
      ? [{ line: step.line, part: step.portion ?? 1 }]
      : step.kind === 'crystallise'
        ? [{ line: step.solvent, part: 1 }]
        : []
  return [...own, ...named.filter(({ line }) => !own.some((other) => other.line === line))]
}

/** Every line that a step of a plan names, with the step. */
export const linesNamed = ({ steps }: Pick<Plan, 'steps'>): { line: string; step: Step }[] =>
  steps.flatMap((step) => partsUsed(step).map(({ line }) => ({ line, step })))
