import { atomicWeights } from '../substance/atomicWeights'
import { water as waterRecord } from '../substance/boilsAt'
import { FormulaError, readFormula } from '../substance/readFormula'
import type { Substance } from '../substance/substance'

/** What a holding is of: a substance, an ion, or what else a material holds. */
export interface Thing {
  id: string
  name: string
  substance: Substance
  /** Atoms of one formula, which may be fewer than none for what an unbalanced equation leaves out; null for a material, which is counted in grams. */
  atoms: Readonly<Record<string, number>> | null
  charge: number
  /** Grams to the mmol; 1 for a material, and as for liquids of a bench where that is a liquid. */
  gPer: number
  /** True where it is a solid by itself at room temperature. */
  solid: boolean
  /** pKa of the protons that it gives in water, and of its conjugate acid. */
  acid: readonly number[]
  base: number | null
}

/** Grams of atoms to the mmol. */
const gramsOfAtoms = (atoms: Readonly<Record<string, number>>): number =>
  Object.entries(atoms).reduce((sum, [symbol, count]) => sum + (atomicWeights[symbol] ?? 0) * count, 0) / 1000

/** Above this a substance that melts there is a solid at the bench, °C. */
const roomC = 25

/** pKa values in water; those of records stand above them. Acids that have lost their proton in any water carry none here: they fall apart into ions (ions.ts). */
function protons({ pKa, groups = [] }: Substance): Pick<Thing, 'acid' | 'base'> {
  if (pKa && !pKa.ofConjugateAcid) return { acid: pKa.values, base: null }
  if (pKa) return { acid: [], base: pKa.values[0]! }
  const count = (group: string) => groups.filter((each) => each === group).length
  return {
    acid: [
      ...Array.from({ length: count('carboxylic acid') }, () => usualPKa.carboxylic),
      ...Array.from({ length: count('phenol') }, () => usualPKa.phenol),
    ].sort((a, b) => a - b),
    base: count('amine') > 0 && count('carboxylic acid') === 0 ? usualPKa.amine : null,
  }
}

/** What acids and amines without a record of their own usually have (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 9): benzoic acids about 4, phenols about 10; amines lie between 4.6 (aryl) and 11 (alkyl). Not compared with it. */
const usualPKa = { carboxylic: 4.5, phenol: 10, amine: 9 } as const

/** The atoms of a formula; null for what has none, or one that cannot be read. */
export function atomsOf(formula: string | undefined): { atoms: Readonly<Record<string, number>>; charge: number } | null {
  if (formula === undefined) return null
  try {
    return readFormula(formula)
  } catch (error) {
    if (error instanceof FormulaError) return null
    throw error
  }
}

/** Grams to the mmol of a liquid that is a mixture, as petroleum ether or an oil of a plant: what a bench pours weighs 60 to 150 g/mol. It counts for boiling points alone. Judgement. */
const liquidMixture = 0.1

/** A thing of a substance. `solid` says what it is where no melting point does. */
export function thingOf(substance: Substance, solid: boolean): Thing {
  const read = atomsOf(substance.formula)
  const { melting } = substance
  const isSolid = melting ? melting.highC > roomC : solid
  return {
    id: substance.id,
    name: substance.name,
    substance,
    atoms: read?.atoms ?? null,
    charge: read?.charge ?? 0,
    gPer: read ? gramsOfAtoms(read.atoms) : isSolid ? 1 : liquidMixture,
    solid: isSolid,
    ...protons(substance),
  }
}

/** A thing that stands in no plan: an ion, or what forms. */
export function madeThing(
  id: string,
  name: string,
  formula: string,
  more: Partial<Pick<Thing, 'acid' | 'base' | 'solid'>> & { record?: Partial<Substance> } = {},
): Thing {
  const { record, ...own } = more
  const thing = thingOf({ id, name, formula, ...record }, own.solid ?? false)
  return { ...thing, ...own }
}

/** Things that no substance stands behind, each once: the same name and atoms are the same thing in every walk. What people draw is endless, what a course uses is not. */
const told = new Map<string, Thing>()

/** A thing whose formula is told by its atoms alone: an ion of a plan, or what became of a substance. */
export function thingOfAtoms(
  id: string,
  name: string,
  atoms: Readonly<Record<string, number>>,
  charge = 0,
  more: Partial<Pick<Thing, 'acid' | 'base'>> = {},
): Thing {
  const left = Object.fromEntries(
    Object.entries(atoms)
      .filter(([, count]) => Math.abs(count) > 1e-9)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  )
  const key = JSON.stringify([id, left, charge, more])
  const known = told.get(key)
  if (known) return known
  const thing: Thing = {
    ...{ id, name, substance: { id, name }, atoms: left, charge, gPer: gramsOfAtoms(left), solid: true, acid: [], base: null },
    ...more,
  }
  if (told.size < 5000) told.set(key, thing)
  return thing
}

/** Water, one thing however many substances of a plan are water. */
export const water: Thing = madeThing('H2O', 'water', 'H2O', {
  record: {
    smiles: 'O',
    antoine: { ...waterRecord.antoine },
    density: { gPerML: 0.998, atC: 20, source: 'CRC Handbook of Chemistry and Physics, density of water' },
    boiling: { lowC: 100, highC: 100, source: 'CRC Handbook of Chemistry and Physics' },
    melting: { lowC: 0, highC: 0, source: 'CRC Handbook of Chemistry and Physics' },
  },
})

export const isWater = (thing: Thing): boolean => thing === water

/** Atoms of two formulas added up, the second so many times. */
export function plusAtoms(
  one: Readonly<Record<string, number>>,
  other: Readonly<Record<string, number>>,
  times: number,
): Record<string, number> {
  const sum: Record<string, number> = { ...one }
  for (const [symbol, count] of Object.entries(other)) sum[symbol] = (sum[symbol] ?? 0) + count * times
  return sum
}

export const noAtoms = (atoms: Readonly<Record<string, number>>): boolean =>
  Object.values(atoms).every((count) => Math.abs(count) < 1e-9)
