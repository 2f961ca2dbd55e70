import { hydrogensOf, partsOf, structureOf, type Structure } from '../substance/structure'
import { cationOf, cations, hydroxide, manyCharges, proton, strongAnions, weak } from './minerals'
import { isWater, noAtoms, plusAtoms, thingOfAtoms, water, type Thing } from './thing'

/** What a mole of a thing is in water: moles of ions and of what takes up or gives off protons, water taken up (below 0) or given. */
export interface InWater {
  parts: readonly (readonly [thing: Thing, moles: number])[]
  water: number
}

type Atoms = Readonly<Record<string, number>>

/** What salts that were made here fall apart into again (recombine.ts, unsaidSolid.ts). */
const madeOf = new WeakMap<Thing, InWater>()

/** Remembers of what a made salt consists. */
export function madeFrom(thing: Thing, parts: InWater['parts'], waters = 0): Thing {
  madeOf.set(thing, { parts, water: waters })
  return thing
}

/** Finds an acid of a plan by its atoms, so that an anion and its acid are one component. */
export type AcidByAtoms = (atoms: Atoms) => Thing | undefined

/**
 * What a salt, a strong acid or a base is in water: ions, and acids and amines as one component each whatever the pH. Null for what stays a molecule there, for metals, and for what water takes apart otherwise (hydrides, acid chlorides). Every part
 * is checked: atoms and charge of the parts are those of the thing, or it stays whole.
 */
export function ionsOf(thing: Thing, acids: AcidByAtoms): InWater | null {
  const known = madeOf.get(thing)
  if (known) return known
  const { atoms, charge } = thing
  if (!atoms || charge !== 0 || isWater(thing)) return null
  const mineral = mineralAcid(atoms)
  if (mineral) return mineral
  const structure = thing.substance.smiles === undefined ? null : structureOf(thing.substance.smiles)
  const parts = structure ? partsOf(structure) : []
  const found = structure && parts.length > 1 ? ofStructure(structure, parts, thing, acids) : ofFormula(thing, acids)
  return found && balanced(thing, found) ? found : null
}

/** True where the parts hold the atoms and the charge of the thing. */
function balanced({ atoms, charge }: Thing, { parts, water: waters }: InWater): boolean {
  let left = plusAtoms(atoms!, water.atoms!, -waters)
  let charges = charge
  for (const [part, moles] of parts) {
    left = plusAtoms(left, part.atoms!, -moles)
    charges -= part.charge * moles
  }
  return noAtoms(left) && Math.abs(charges) < 1e-9
}

const same = (one: Atoms, other: Atoms) => noAtoms(plusAtoms(one, other, -1))

/** A strong acid: its anion with a proton for each charge. */
function mineralAcid(atoms: Atoms): InWater | null {
  const anion = strongAnions.find((each) => same(atoms, plusAtoms(each.atoms!, { H: 1 }, -each.charge)))
  return anion
    ? {
        parts: [
          [anion, 1],
          [proton, -anion.charge],
        ],
        water: 0,
      }
    : null
}

/** Waters that a formula writes behind its dot. */
const watersIn = ({ substance }: Thing) => {
  const written = /[·.*•∙](\d*)H2O$/.exec(substance.formula ?? '')
  return written ? Number(written[1] || 1) : 0
}

/** Balances charge with protons or hydroxide, and hydrogen with water. */
function closed(thing: Thing, parts: [Thing, number][]): InWater {
  const charge = parts.reduce((sum, [part, moles]) => sum + part.charge * moles, 0)
  const all = [...parts, ...(charge > 0 ? [[hydroxide, charge] as const] : charge < 0 ? [[proton, -charge] as const] : [])]
  const left = all.reduce<Atoms>((sum, [part, moles]) => plusAtoms(sum, part.atoms!, -moles), thing.atoms!)
  return { parts: all, water: left.O ?? 0 }
}

/** By formula alone: metals, and one anion beside them. */
function ofFormula(thing: Thing, acids: AcidByAtoms): InWater | null {
  const atoms = thing.atoms!
  const all = Object.keys(atoms).filter((symbol) => symbol in cations || symbol in manyCharges)
  // Chromium and manganese with an alkali metal and oxygen are in the anion.
  const inAnion = atoms.O && all.length > 1 ? all.filter((symbol) => symbol === 'Cr' || symbol === 'Mn') : []
  const metals = all.filter((symbol) => inAnion.every((each) => each !== symbol))
  const waters = watersIn(thing)
  let rest: Atoms = plusAtoms(atoms, water.atoms!, -waters)
  for (const symbol of metals) rest = { ...rest, [symbol]: 0 }
  if (metals.length === 0 || noAtoms(rest)) return null
  const fixed = metals.filter((symbol) => symbol in cations)
  const charge = fixed.reduce((sum, symbol) => sum + cations[symbol]!.charge * atoms[symbol]!, 0)
  const beside = fixed.map((symbol): [Thing, number] => [cations[symbol]!, atoms[symbol]!])
  for (const anion of strongAnions) {
    const times = timesIn(rest, anion.atoms!)
    if (times === 0) continue
    const [many] = metals.filter((symbol) => !(symbol in cations))
    const open = -anion.charge * times - charge
    const metal: [Thing, number][] = many === undefined ? [] : [[cationOf(many, open / atoms[many]!), atoms[many]!]]
    if (many !== undefined && !(open > 0 && Number.isInteger(open / atoms[many]!))) continue
    const found = closed(thing, [...beside, ...metal, [anion, times]])
    if (balanced(thing, found)) return found
  }
  if (metals.length > fixed.length) return null
  for (const acid of Object.values(weak)) {
    const key = ['C', 'S', 'P', 'N', 'Cl', 'F'].find((symbol) => acid.atoms![symbol])!
    const times = (rest[key] ?? 0) / acid.atoms![key]!
    if (!(times > 0) || !Number.isInteger(times)) continue
    const found = closed(thing, [...beside, [acid, times]])
    if (balanced(thing, found)) return found
  }
  const bare = closed(thing, beside)
  if (balanced(thing, bare)) return bare
  if (!(rest.C && rest.O)) return null
  const whole = plusAtoms(rest, { H: 1 }, charge)
  // An acid salt, or one whose anion stands as often as it needs protons, of an acid that the plan knows.
  const known = acids(whole)
  const times = charge > 1 && Object.values(whole).every((count) => count % charge === 0) ? charge : 1
  const each =
    times === 1 ? undefined : acids(Object.fromEntries(Object.entries(whole).map(([symbol, count]) => [symbol, count / times])))
  return closed(thing, known || !each ? [...beside, [known ?? acidMade(thing, whole), 1]] : [...beside, [each, times]])
}

/** How many times the atoms of one stand in the other, oxygen and hydrogen of it aside; 0 where they do not. */
function timesIn(rest: Atoms, anion: Atoms): number {
  const key = Object.keys(anion).find((symbol) => symbol !== 'O' && symbol !== 'H' && symbol !== 'C') ?? 'C'
  if ('C' in anion && !rest.C) return 0
  const times = (rest[key] ?? 0) / anion[key]!
  return times > 0 && Number.isInteger(times) ? times : 0
}

/** An acid that no plan holds, told by its atoms; how strong it is follows from where its charge stands. */
function acidMade({ id, name, substance }: Thing, atoms: Atoms): Thing {
  return thingOfAtoms(`acid ${id}`, `acid of ${name}`, atoms, 0, { acid: [pKaOfOxygen(substance.smiles)] })
}

/** Carboxylates, phenoxides and alkoxides by the atom that their charged oxygen stands on; the usual values of the three (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 9; not compared with it). */
function pKaOfOxygen(smiles: string | undefined): number {
  const structure = smiles === undefined ? null : structureOf(smiles)
  const oxygen = structure?.find(({ symbol, charge }) => symbol === 'O' && charge < 0)
  if (!structure || !oxygen) return 4.5
  const on = structure[oxygen.bonds[0]?.to ?? -1]
  if (on?.bonds.some(({ to, order }) => order === 2 && structure[to]!.symbol === 'O')) return 4.5
  return on?.aromatic ? 10 : 16
}

/** By structure: each part that no bond joins is an ion, an amine with its acid, or water. */
function ofStructure(
  structure: Structure,
  parts: readonly (readonly number[])[],
  thing: Thing,
  acids: AcidByAtoms,
): InWater | null {
  const all: [Thing, number][] = []
  for (const part of parts) {
    const { atoms, charge, protonated } = told(structure, part)
    if (charge === 0 && same(atoms, water.atoms!)) continue
    if (charge === 0) {
      const acid = mineralAcid(atoms)
      all.push(...(acid ? (acid.parts as [Thing, number][]) : [[component(thing, atoms, acids, 'base'), 1] as [Thing, number]]))
    } else if (charge > 0) {
      const [symbol] = Object.keys(atoms)
      if (part.length === 1 && (symbol! in cations || symbol! in manyCharges)) all.push([cationOf(symbol!, charge), 1])
      else if (protonated) all.push([component(thing, plusAtoms(atoms, { H: 1 }, -charge), acids, 'base'), 1], [proton, charge])
      else all.push([thingOfAtoms(`cation of ${thing.id}`, `cation of ${thing.name}`, atoms, charge), 1])
    } else if (same(atoms, { H: 1 }) || 'B' in atoms) {
      const known = strongAnions.find((each) => each.charge === charge && same(each.atoms!, atoms))
      if (!known) return null
      all.push([known, 1])
    } else if (same(atoms, hydroxide.atoms!)) all.push([hydroxide, 1])
    else {
      const whole = plusAtoms(atoms, { H: 1 }, -charge)
      // The protons that a hydrogen sulfate has kept are given to the balance of charges.
      const strong = mineralAcid(whole)?.parts[0]?.[0] ?? sulfonate(structure, part, thing, atoms, charge)
      all.push([strong ?? weakOf(whole) ?? component(thing, whole, acids, 'acid'), 1])
    }
  }
  // What stands as the acid of an anion brings a hydroxide for each charge, which water makes up for.
  return closed(thing, merged(all))
}

const merged = (parts: readonly (readonly [Thing, number])[]): [Thing, number][] => {
  const all = new Map<Thing, number>()
  for (const [thing, moles] of parts) all.set(thing, (all.get(thing) ?? 0) + moles)
  return [...all]
}

/** A weak mineral acid by the atoms of an anion that has got all of its protons, with water where it is a dissolved oxide. */
function weakOf(whole: Atoms): Thing | undefined {
  return Object.values(weak).find((acid) => same(whole, acid.atoms!) || same(whole, plusAtoms(acid.atoms!, water.atoms!, 1)))
}

/** The anion of a sulfonic acid, which has lost its proton in any water. */
function sulfonate(structure: Structure, part: readonly number[], { id, name }: Thing, atoms: Atoms, charge: number) {
  const strong = part.some((at) => {
    const atom = structure[at]!
    return (
      atom.symbol === 'S' &&
      atom.bonds.filter(({ to }) => structure[to]!.symbol === 'O').length === 3 &&
      atom.bonds.some(({ to }) => structure[to]!.symbol === 'C')
    )
  })
  return strong ? thingOfAtoms(`anion of ${id}`, `anion of ${name}`, atoms, charge) : undefined
}

/** The acid or amine of a plan that a part is; else one that is told by its atoms. */
function component(thing: Thing, atoms: Atoms, acids: AcidByAtoms, as: 'acid' | 'base'): Thing {
  const known = acids(atoms)
  if (known) return known
  if (as === 'base' && same(atoms, weak.ammonia.atoms!)) return weak.ammonia
  if (as === 'acid') return acidMade(thing, atoms)
  return thingOfAtoms(`amine ${thing.id}`, `amine of ${thing.name}`, atoms, 0, { base: thing.substance.pKa?.values[0] ?? 9 })
}

/** Atoms and charge of a part of a structure; `protonated` where a charged nitrogen carries hydrogen. */
function told(structure: Structure, part: readonly number[]): { atoms: Atoms; charge: number; protonated: boolean } {
  let atoms: Atoms = {}
  let charge = 0
  let protonated = false
  for (const at of part) {
    const atom = structure[at]!
    const hydrogens = hydrogensOf(atom)
    atoms = plusAtoms(plusAtoms(atoms, { [atom.symbol]: 1 }, 1), { H: 1 }, hydrogens)
    charge += atom.charge
    if (atom.charge > 0 && atom.symbol === 'N' && hydrogens > 0) protonated = true
  }
  return { atoms: Object.fromEntries(Object.entries(atoms).filter(([, count]) => count !== 0)), charge, protonated }
}

/** A salt that stands in no plan, made of its ions: so many of each that the charges are even. */
export function saltOf(cation: Thing, anion: Thing): Thing {
  const [plus, minus] = [cation.charge, -anion.charge]
  const common = gcd(plus, minus)
  const [cationCount, anionCount] = [minus / common, plus / common]
  const atoms = plusAtoms(plusAtoms({}, cation.atoms!, cationCount), anion.atoms!, anionCount)
  const salt = thingOfAtoms(`${cation.id} ${anion.id}`, `${cation.name.replace(/ ion$/, '')} ${anion.name}`, atoms)
  return madeFrom(salt, [
    [cation, cationCount],
    [anion, anionCount],
  ])
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
