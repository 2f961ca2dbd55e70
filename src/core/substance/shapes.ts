import type { Atom, Structure } from './structure'
import { aromaticOrder, hydrogensOf, partsOf, structureOf } from './structure'

/** A kind of place in a structure that rules ask for. */
export type Shape =
  | 'acyl halide'
  | 'acid anhydride'
  | 'amide'
  /** One whose nitrogen has a hydrogen. */
  | 'amide with N–H'
  | 'dialkylformamide'
  | 'peroxide'
  | 'organic peroxide'
  | 'nitro compound'
  | 'azide'
  | 'diazonium salt'
  | 'alkene'
  | 'sulfoxide'
  | 'nitrile'
  | 'nitroalkane'
  | 'benzyl halide'
  | 'benzyl alcohol'

/** The atoms bound to one, with the orders of their bonds. */
const around = (structure: Structure, { bonds }: Atom) => bonds.map(({ to, order }) => ({ atom: structure[to]!, order }))

type Asks = (structure: Structure, atom: Atom) => boolean

/** One atom's neighbours of an element, through a bond of an order. */
const bound = (structure: Structure, atom: Atom, symbol: string, order: number) =>
  around(structure, atom).filter((each) => each.atom.symbol === symbol && each.order === order)

const isAcyl = (structure: Structure, atom: Atom) => atom.symbol === 'C' && bound(structure, atom, 'O', 2).length === 1

/** The nitrogens of an amide, in a ring or not; an ammonium is none. */
const amideNitrogens = (structure: Structure, atom: Atom) =>
  isAcyl(structure, atom)
    ? [1, aromaticOrder].flatMap((order) => bound(structure, atom, 'N', order)).filter((each) => each.atom.charge === 0)
    : []

const peroxide: Asks = (structure, atom) => atom.symbol === 'O' && bound(structure, atom, 'O', 1).length > 0

/** The rings of five or six atoms through one, each as the places of its atoms. */
function ringsThrough(structure: Structure, start: number): number[][] {
  const walk = (path: number[]): number[][] =>
    structure[path.at(-1)!]!.bonds.flatMap(({ to }) =>
      to === start && path.length > 4 ? [path] : path.includes(to) || path.length === 6 ? [] : walk([...path, to]),
    )
  return walk([start])
}

/** An aromatic ring as Kekulé draws it: every atom has a double bond to one of a ring, or is a nitrogen, oxygen or sulfur. */
const isKekule = (structure: Structure, ring: readonly number[]) =>
  ring.every((at) => {
    const atom = structure[at]!
    return (
      ['N', 'O', 'S'].includes(atom.symbol) ||
      atom.bonds.some(({ to, order }) => order === 2 && ringsThrough(structure, to).length > 0)
    )
  })

/** A double bond between carbons that belongs to no aromatic ring. */
function alkene(structure: Structure, atom: Atom): boolean {
  if (atom.symbol !== 'C') return false
  const other = atom.bonds.find(({ to, order }) => order === 2 && structure[to]!.symbol === 'C')
  return (
    other !== undefined &&
    !ringsThrough(structure, other.to).some((ring) => ring.includes(structure.indexOf(atom)) && isKekule(structure, ring))
  )
}

const isSaturated = ({ bonds }: Atom) => bonds.every(({ order }) => order === 1)

/** A carbon that stands on an aromatic ring and has two hydrogens. */
const isBenzylic = (structure: Structure, atom: Atom) =>
  atom.symbol === 'C' &&
  isSaturated(atom) &&
  hydrogensOf(atom) === 2 &&
  bound(structure, atom, 'C', 1).some(
    (each) =>
      each.atom.bonds.some(({ order }) => order === aromaticOrder) ||
      ringsThrough(structure, structure.indexOf(each.atom)).some((ring) => isKekule(structure, ring)),
  )

const asks: Readonly<Record<Shape, Asks>> = {
  'acyl halide': (structure, atom) =>
    isAcyl(structure, atom) && ['Cl', 'Br'].some((halogen) => bound(structure, atom, halogen, 1).length > 0),
  'acid anhydride': (structure, atom) =>
    atom.symbol === 'O' && bound(structure, atom, 'C', 1).filter((each) => isAcyl(structure, each.atom)).length === 2,
  amide: (structure, atom) => amideNitrogens(structure, atom).length > 0,
  'amide with N–H': (structure, atom) => amideNitrogens(structure, atom).some((each) => hydrogensOf(each.atom) > 0),
  dialkylformamide: (structure, atom) =>
    hydrogensOf(atom) === 1 && amideNitrogens(structure, atom).some((each) => bound(structure, each.atom, 'C', 1).length === 3),
  peroxide,
  'organic peroxide': (structure, atom) =>
    peroxide(structure, atom) && around(structure, atom).some((each) => each.atom.symbol === 'C'),
  'nitro compound': (structure, atom) =>
    atom.symbol === 'N' &&
    around(structure, atom).some((each) => each.atom.symbol === 'C') &&
    // Drawn with charges, or with two double bonds.
    around(structure, atom).filter((each) => each.atom.symbol === 'O' && (each.order === 2 || each.atom.charge === -1)).length ===
      2,
  azide: (structure, atom) =>
    atom.symbol === 'N' &&
    atom.charge === 1 &&
    bound(structure, atom, 'N', 2).length === 2 &&
    around(structure, atom).some((each) => each.atom.charge === -1),
  'diazonium salt': (structure, atom) => atom.symbol === 'N' && atom.charge === 1 && bound(structure, atom, 'N', 3).length === 1,
  alkene,
  nitrile: (structure, atom) => atom.symbol === 'C' && bound(structure, atom, 'N', 3).length === 1,
  nitroalkane: (structure, atom) =>
    atom.symbol === 'C' &&
    isSaturated(atom) &&
    bound(structure, atom, 'N', 1).some(
      (each) => around(structure, each.atom).filter(({ atom: { symbol } }) => symbol === 'O').length === 2,
    ),
  'benzyl halide': (structure, atom) =>
    isBenzylic(structure, atom) && ['Cl', 'Br', 'I'].some((halogen) => bound(structure, atom, halogen, 1).length > 0),
  'benzyl alcohol': (structure, atom) =>
    isBenzylic(structure, atom) && bound(structure, atom, 'O', 1).some((each) => hydrogensOf(each.atom) === 1),
  sulfoxide: (structure, atom) =>
    atom.symbol === 'S' &&
    around(structure, atom).length === 3 &&
    bound(structure, atom, 'C', 1).length === 2 &&
    around(structure, atom).some((each) => each.atom.symbol === 'O' && each.atom.bonds.length === 1),
}

const nothing: ReadonlySet<Shape> = new Set()
/** A table asks for the same few at every keystroke. */
const known = new WeakMap<Structure, ReadonlySet<Shape>>()

/** What a structure has of the places that rules ask for; nothing where there is no structure, or it cannot be read. */
export function shapesIn(smiles: string | undefined): ReadonlySet<Shape> {
  const structure = smiles === undefined ? null : structureOf(smiles)
  if (!structure) return nothing
  const found =
    known.get(structure) ??
    new Set((Object.keys(asks) as Shape[]).filter((shape) => structure.some((atom) => asks[shape](structure, atom))))
  known.set(structure, found)
  return found
}

const isWater = (structure: Structure, part: readonly number[]) =>
  part.length === 1 && structure[part[0]!]!.symbol === 'O' && structure[part[0]!]!.charge === 0

/** Ions that a mole of a salt gives, from its structure; 1 for what is no salt, or has no structure. */
export function ionsIn(smiles: string | undefined): number {
  const structure = smiles === undefined ? null : structureOf(smiles)
  if (!structure) return 1
  const parts = partsOf(structure).filter((part) => !isWater(structure, part))
  const charged = parts.some((part) => part.reduce((sum, at) => sum + structure[at]!.charge, 0) !== 0)
  return charged ? parts.length : 1
}
