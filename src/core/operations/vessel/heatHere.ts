import { heatCapacityIn, type HeatCapacity } from '../../matter/heatCapacity'
import type { Span } from '../../matter/span'
import { joulesOf, warms, type HeatFound } from '../../matter/warms'
import { vesselNamed, type Holding } from '../../matter/state'
import type { Plan } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import type { Context } from '../planner'
import { whoIs } from './meetingsIn'
import { walkAt } from './stoodAt'

/** The heat of what a step puts together. */
export interface HeatHere {
  /** Equivalents of what gives most that react, mmol. */
  mmol: number
  /** All of the heat for each of them, kJ/mol. */
  kJ: Span
  /** What gives it off, in words: the first, and what is counted beside it. */
  says: string
  source: string
  /** What meets, by name. */
  between: string
}

const perMol = ({ low, high }: Span) => `${writeNumber(low, 0)} to ${writeNumber(high, 0)} kJ/mol`

const namesOf = (plan: Plan, holdings: readonly Holding[]) =>
  [...new Set(holdings.flatMap((each) => whoIs(plan, each, 'acid').map(({ name }) => name)))].join(' with ')

function said(plan: Plan, { parts }: HeatFound): HeatHere | null {
  const [first, ...besides] = parts
  if (!first) return null
  const { low, likely, high } = joulesOf(parts)
  const more = besides.map(({ what, mmol, kJ }) => `${what} of ${writeNumber(mmol, 1)} mmol at ${perMol(kJ)}`)
  return {
    mmol: first.mmol,
    kJ: { low: low / first.mmol, likely: likely / first.mmol, high: high / first.mmol },
    says: `${first.what}, ${perMol(first.kJ)}${more.length > 0 ? `; with it ${more.join(' and ')}` : ''}`,
    source: first.source,
    between: namesOf(plan, first.from),
  }
}

/** The heat of what a step puts into its vessel; null where none is known. `untold` names what meets of which no heat is on record: then no figure is all of it. */
export function heatHere(context: Context): { heat: HeatHere | null; untold: string | null; capacity: HeatCapacity | null } {
  const { walked, at } = walkAt(context)
  const stood = walked.steps[at]
  if (!stood) return { heat: null, untold: null, capacity: null }
  const { before, during } = stood
  const capacity = heatCapacityIn(vesselNamed(during, during.at)?.phases ?? [])
  const comes = walked.comes(at)
  const there = vesselNamed(before, during.at) ?? vesselNamed(before, before.at)
  // Where a step names nothing that goes in, what stood apart until then is put together in it.
  const found = comes ? warms(there, comes) : there ? warms(undefined, there) : null
  const [untold] = found?.untold ?? []
  return {
    heat: found && !untold ? said(context.plan, found) : null,
    untold: untold ? namesOf(context.plan, untold) : null,
    capacity,
  }
}
