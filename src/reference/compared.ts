import type { SubstanceRecord } from '@/core/substance/record'

/** A value of a record with where it comes from. `what` names it within its record. */
export interface RecordValue {
  what: string
  /** As JSON, without the source: two that are equal say the same. */
  value: string
  source: string
}

/** Who compared a value with its source, and the day. */
export interface Comparison {
  record: string
  what: string
  value: string
  by: string
  /** ISO date. */
  on: string
}

const single = ['density', 'melting', 'boiling', 'pKa', 'logP', 'antoine', 'incompatible', 'hazards'] as const

/** The name of a solubility within its record. */
export const solubilityIn = (solvent: string): string => `solubility in ${solvent}`

/** The name of a partition coefficient within its record. */
export const partitionInto = (solvent: string): string => `partition into ${solvent}`

/** Everything a record says from a source. */
export function valuesOf(record: SubstanceRecord): RecordValue[] {
  const one = (what: string, { source, ...value }: { source: string }): RecordValue => ({
    what,
    value: JSON.stringify(value),
    source,
  })
  return [
    ...single.flatMap((what) => (record[what] ? [one(what, record[what])] : [])),
    ...(record.solubility ?? []).map((each) => one(solubilityIn(each.solvent), each)),
    ...(record.partition ?? []).map((each) => one(partitionInto(each.solvent), each)),
  ]
}

/** What stands behind a source until somebody has looked it up there. */
const notCompared = 'not yet compared with it'

/**
 * A record whose sources say of each value whether anybody has compared it. All values that ship were written from general knowledge of these sources; a comparison of a value that has changed since counts no more.
 */
export function withComparisons(record: SubstanceRecord, comparisons: readonly Comparison[]): SubstanceRecord {
  const values = new Map(valuesOf(record).map(({ what, value }) => [what, value]))
  const said = (what: string, source: string) => {
    const found = comparisons.find((each) => each.record === record.id && each.what === what && each.value === values.get(what))
    return found ? `${source}; compared with it by ${found.by}, ${found.on}` : `${source}; ${notCompared}`
  }
  const changed = Object.fromEntries(
    single.flatMap((what) => {
      const value = record[what]
      return value ? [[what, { ...value, source: said(what, value.source) }]] : []
    }),
  )
  return {
    ...record,
    ...changed,
    ...(record.solubility
      ? { solubility: record.solubility.map((each) => ({ ...each, source: said(solubilityIn(each.solvent), each.source) })) }
      : {}),
    ...(record.partition
      ? { partition: record.partition.map((each) => ({ ...each, source: said(partitionInto(each.solvent), each.source) })) }
      : {}),
  }
}
