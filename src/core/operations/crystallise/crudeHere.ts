import { vesselOfSample } from '../../matter/measuredAs'
import { vesselNamed } from '../../matter/state'
import { thingsOf } from '../../matter/things'
import type { Stood } from '../../matter/walk'
import { substanceOfSample, type Plan, type Step } from '../../plan/plan'
import type { Substance } from '../../substance/substance'
import { gramsOfIn } from '../vessel/stoodAt'

/** Grams of a substance that a crystallisation has to do with: what is in its vessel, and before its solvent where that is of an unknown volume; null where nobody can say. */
export function crudeHere(
  plan: Plan,
  step: Step & { kind: 'crystallise' },
  stood: Stood | undefined,
  of: Substance | undefined,
): number | null {
  if (!stood) return null
  const { before, during } = stood
  const now = gramsOfIn(vesselNamed(during, during.at), of)
  if (now !== null) return now
  const sample = substanceOfSample(plan, step.from)
  const names = new Set([before.at, vesselOfSample(before, step.from, sample && thingsOf(plan).of(sample))])
  let sum = 0
  for (const name of names) {
    const grams = gramsOfIn(vesselNamed(before, name), of)
    if (grams === null) return null
    sum += grams
  }
  return sum
}
