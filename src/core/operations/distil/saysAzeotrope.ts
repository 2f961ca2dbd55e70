import { writeNumber } from '../../quantity/write'
import { capital } from '../../words/capital'
import type { Advice } from '../planner'
import { azeotropes, azeotropeSource, type Azeotrope } from '../../matter/azeotropes'

/** What two liquids that boil together do to whoever wants to part or to heat them. */
export function saysAzeotrope([one, other]: readonly [string, string], azeotrope: Azeotrope): Advice {
  const { atC, percentOfOne, layers } = azeotrope
  return {
    id: `azeotrope-${azeotropes.indexOf(azeotrope)}`,
    level: 'open',
    words: `${capital(one)} and ${other} boil together at ${writeNumber(atC, 1)} °C (760 mmHg), ${writeNumber(percentOfOne, 1)} % ${one} by mass${layers ? '; what comes over parts into two layers' : ': distilling takes them no further apart'}.`,
    why: azeotropeSource,
  }
}
