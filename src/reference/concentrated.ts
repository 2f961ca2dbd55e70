import type { Form } from '@/core/plan/plan'
import { solutionDensity } from '@/core/substance/solutionDensity'
import { substanceRecords } from './records'

const label = 'label of the bottle'

/** The usual strengths of what is sold as a solution in water. */
export const concentrated = {
  hydrochloric: { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.18, source: label },
  sulfuric: { kind: 'mass-fraction', fraction: 0.96, gPerML: 1.84, source: label },
  nitric: { kind: 'mass-fraction', fraction: 0.68, gPerML: 1.405, source: label },
  ammonia: { kind: 'mass-fraction', fraction: 0.25, gPerML: 0.91, source: label },
  acetic: { kind: 'mass-fraction', fraction: 0.998, gPerML: 1.049, source: label },
  phosphoric: { kind: 'mass-fraction', fraction: 0.85, gPerML: 1.685, source: label },
  peroxide: { kind: 'mass-fraction', fraction: 0.3, gPerML: 1.11, source: label },
} as const satisfies Record<string, Form>

const bottles: Readonly<Record<string, Form>> = {
  'hydrochloric-acid': concentrated.hydrochloric,
  'sulfuric-acid': concentrated.sulfuric,
  'nitric-acid': concentrated.nitric,
  ammonia: concentrated.ammonia,
  'acetic-acid': concentrated.acetic,
  'phosphoric-acid': concentrated.phosphoric,
  'hydrogen-peroxide': concentrated.peroxide,
}

/** The bottle that a substance is sold in as a solution in water, by the id of its record. */
export const soldAs = (record: string): Form | undefined => bottles[record]

/** The density of a solution of a record in water at 20 °C, g/mL; null beyond its table and where there is none. */
export const densityAt = (record: string, fraction: number): number | null =>
  solutionDensity(substanceRecords.find(({ id }) => id === record)?.formula, fraction)
