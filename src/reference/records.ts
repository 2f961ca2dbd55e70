import { usualSolvents } from '@/core/operations/crystallise/usualSolvents'
import { plainName } from '@/core/substance/search'
import type { Substance } from '@/core/substance/substance'
import type { SubstanceRecord } from '@/core/substance/record'
import { sources } from './sources'
import raw from './substances.json'

/** The records that ship with the program, sources written out. */
export const substanceRecords: readonly SubstanceRecord[] = (raw as unknown as SubstanceRecord[]).map(
  (record) => withSources(record) as SubstanceRecord,
)

const byName = new Map(
  substanceRecords.flatMap((record) =>
    [record.name, record.systematicName, ...(record.synonyms ?? [])].flatMap((name): [string, SubstanceRecord][] =>
      name === undefined ? [] : [[plainName(name), record]],
    ),
  ),
)

/** The record that has a name as a whole, among its systematic name and its synonyms too; no two records share one. */
export const recordNamed = (name: string): SubstanceRecord | undefined => byName.get(plainName(name))

/** A record as a plan takes it: its own copy, so that a frozen plan stays as it was when a record changes. */
export function forPlan(record: SubstanceRecord): Substance {
  const {
    id,
    name,
    systematicName,
    formula,
    smiles,
    density,
    melting,
    boiling,
    solubility,
    pKa,
    logP,
    partition,
    antoine,
    groups,
    classes,
    incompatible,
    hazards,
    waste,
  } = record
  return {
    id,
    name,
    ...(systematicName ? { systematicName } : {}),
    ...(formula === undefined ? {} : { formula }),
    ...(smiles ? { smiles } : {}),
    ...(density ? { density } : {}),
    ...(melting ? { melting } : {}),
    ...(boiling ? { boiling } : {}),
    ...(solubility ? { solubility } : {}),
    ...(pKa ? { pKa } : {}),
    ...(logP ? { logP } : {}),
    ...(partition ? { partition } : {}),
    ...(antoine ? { antoine } : {}),
    ...(groups ? { groups } : {}),
    ...(classes ? { classes } : {}),
    ...(incompatible ? { incompatible } : {}),
    ...(hazards ? { hazards } : {}),
    ...(waste ? { waste } : {}),
    ...(hazards && cautionOf(hazards.statements) ? { caution: cautionOf(hazards.statements)! } : {}),
  }
}

/** The solvents that a crystallisation may be tried from, with what decides between them. */
export const crystallisationSolvents: readonly Substance[] = usualSolvents.flatMap((id) => {
  const record = substanceRecords.find((each) => each.id === id)
  if (!record) return []
  const { name, formula, smiles, antoine, boiling, groups } = record
  return [
    {
      id,
      name,
      ...(formula === undefined ? {} : { formula }),
      ...(antoine ? { antoine } : {}),
      ...(boiling ? { boiling } : {}),
      ...(smiles ? { smiles } : {}),
      ...(groups ? { groups } : {}),
    },
  ]
})

const cautions: readonly [RegExp, string][] = [
  [/^H3[013]0$/, 'Can kill in small amounts. Hood, gloves, and never alone.'],
  [/^H3[013]1$|^H370$/, 'Toxic. Hood and gloves; change a wet glove at once.'],
  [/^H314$/, 'Burns skin and eyes. Goggles and gloves; rinse at once with plenty of water.'],
  [/^H26[01]$|^EUH014$/, 'Reacts with water. Dry glass; dry sand at hand, no water on it.'],
  [/^H27[0-2]$/, 'Oxidiser. Keep it away from anything that burns.'],
  [/^H3[45]0$|^H360/, 'May cause lasting harm. Hood and gloves; ask whether something else will do.'],
  [/^H22[45]$/, 'Catches fire easily. No flame, no hot plate near it.'],
  [/^H3[456]1/, 'Suspected of lasting harm. Hood and gloves.'],
  [/^H37[23]$/, 'Harms the body over time. Hood and gloves.'],
  [/^H318$|^H319$/, 'Hurts the eyes. Goggles.'],
  [/^H226$|^H228$/, 'Burns. Keep it away from flames.'],
  [/^H317$/, 'May cause an allergy of the skin. Gloves.'],
]

/** The one thing to say at the bench: that of the gravest statement. */
export function cautionOf(statements: readonly string[]): string | undefined {
  return cautions.find(([pattern]) => statements.some((statement) => pattern.test(statement)))?.[1]
}

function withSources(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withSources)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, part]) => [
      key,
      key === 'source' ? (sources[part as keyof typeof sources] ?? part) : withSources(part),
    ]),
  )
}
