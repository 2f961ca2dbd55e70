import { printed } from '../words/words'
import type { Step } from './plan'

/** The lines that a step uses with the part of each, 1 for all of it: the charged one, and those named in its words. */
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
  const named = [...printed(step.text).matchAll(/\{([\w-]+)(?: ([\d.]+) %)?\}/g)].map(([, line, percent]) => ({
    line: line!,
    part: percent ? Number(percent) / 100 : 1,
  }))
  const own =
    step.kind === 'charge'
      ? [{ line: step.line, part: step.portion ?? 1 }]
      : step.kind === 'crystallise'
        ? [{ line: step.solvent, part: 1 }]
        : []
  return [...own, ...named.filter(({ line }) => !own.some((other) => other.line === line))]
}
