/** An atom of a structure, its hydrogens counted with it. */
export interface Atom {
  symbol: string
  aromatic: boolean
  charge: number
  /** Hydrogens that are written in its brackets; undefined where they follow from its valence. */
  hydrogens: number | undefined
  bonds: { to: number; order: number }[]
}

/** Atoms by their place, each with its bonds. */
export type Structure = readonly Atom[]

/** Bond of two aromatic atoms. */
export const aromaticOrder = 1.5

const orders: Readonly<Record<string, number>> = { '-': 1, '/': 1, '\\': 1, '=': 2, '#': 3, ':': aromaticOrder }
const bracketed = /^\[\d*([A-Z][a-z]?|[bcnops]|se|as)(?:@{1,2})?(?:(H)(\d*))?(?:([+-]+)(\d*))?(?::\d+)?\]/
const bare = /^(?:Cl|Br|[BCNOPSFI]|[bcnops])/
const closure = /^(?:%(\d\d)|(\d))/

const read = new Map<string, Structure | null>()

/**
 * The structure that a SMILES writes, however it is written: atoms, bonds, charges, rings and parts; which side a group points to is passed over. Null for what is no SMILES.
 * Rules ask the structure and never the line of text: the same substance has many of those.
 */
export function structureOf(smiles: string): Structure | null {
  const known = read.get(smiles)
  if (known !== undefined) return known
  const found = parsed(smiles)
  // What people draw is endless, what a course uses is not.
  if (read.size < 2000) read.set(smiles, found)
  return found
}

function parsed(smiles: string): Structure | null {
  const atoms: Atom[] = []
  const branches: (number | undefined)[] = []
  const open = new Map<string, { at: number; order: number | undefined }>()
  let last: number | undefined
  let order: number | undefined
  const join = (from: number, to: number, written: number | undefined) => {
    const both = atoms[from]!.aromatic && atoms[to]!.aromatic
    const bond = written ?? (both ? aromaticOrder : 1)
    atoms[from]!.bonds.push({ to, order: bond })
    atoms[to]!.bonds.push({ to: from, order: bond })
  }
  const put = (atom: Omit<Atom, 'bonds'>) => {
    atoms.push({ ...atom, bonds: [] })
    if (last !== undefined) join(last, atoms.length - 1, order)
    last = atoms.length - 1
    order = undefined
  }
  for (let rest = smiles; rest !== '';) {
    const sign = rest[0]!
    const [ring, two, one] = closure.exec(rest) ?? []
    const [brackets, symbol, hydrogen, count, signs, times] = bracketed.exec(rest) ?? []
    const [plain] = bare.exec(rest) ?? []
    let taken = 1
    if (sign in orders) order = orders[sign]
    else if (sign === '(') branches.push(last)
    else if (sign === ')') {
      if (branches.length === 0) return null
      last = branches.pop()
    } else if (sign === '.') last = undefined
    else if (ring !== undefined) {
      if (last === undefined) return null
      const key = (two ?? one)!
      const begun = open.get(key)
      if (begun) join(begun.at, last, begun.order ?? order)
      else open.set(key, { at: last, order })
      if (begun) open.delete(key)
      order = undefined
      taken = ring.length
    } else if (brackets !== undefined) {
      const charge = signs === undefined ? 0 : (signs[0] === '+' ? 1 : -1) * (times ? Number(times) : signs.length)
      put({ ...element(symbol!), charge, hydrogens: hydrogen ? Number(count || 1) : 0 })
      taken = brackets.length
    } else if (plain !== undefined) {
      put({ ...element(plain), charge: 0, hydrogens: undefined })
      taken = plain.length
    } else return null
    rest = rest.slice(taken)
  }
  return branches.length > 0 || open.size > 0 || order !== undefined || atoms.length === 0 ? null : atoms
}

const element = (written: string) => ({
  symbol: written.charAt(0).toUpperCase() + written.slice(1),
  aromatic: written.charAt(0) === written.charAt(0).toLowerCase(),
})

/** Bonds that an atom has where nothing is written in brackets, the least that is enough. */
const valences: Readonly<Record<string, readonly number[]>> = {
  B: [3],
  C: [4],
  N: [3, 5],
  O: [2],
  P: [3, 5],
  S: [2, 4, 6],
  F: [1],
  Cl: [1],
  Br: [1],
  I: [1],
}

/** Hydrogens of an atom: as written, or what its valence leaves free. */
export function hydrogensOf({ symbol, aromatic, hydrogens, bonds }: Atom): number {
  if (hydrogens !== undefined) return hydrogens
  const used = bonds.reduce((sum, { order }) => sum + (order === aromaticOrder ? 1 : order), 0)
  const possible = valences[symbol] ?? []
  // An aromatic atom has one bond more than its neighbours show, shared around the ring; a ring's oxygen, sulfur or bound nitrogen gives two electrons instead.
  if (aromatic) return Math.max(0, (possible[0] ?? 0) - used - 1)
  const valence = possible.find((each) => each >= used)
  return valence === undefined ? 0 : valence - used
}

/** The parts of a structure that no bond joins, each as the places of its atoms. */
export function partsOf(structure: Structure): number[][] {
  const seen = new Set<number>()
  return structure.flatMap((_, start) => {
    if (seen.has(start)) return []
    const part = [start]
    seen.add(start)
    for (let at = 0; at < part.length; at++)
      for (const { to } of structure[part[at]!]!.bonds)
        if (!seen.has(to)) {
          seen.add(to)
          part.push(to)
        }
    return [part]
  })
}

const keys = new Map<string, string>()

/**
 * What is the same for every way of writing a structure, and another for another structure: each atom is told from the others by its neighbours, theirs, and so on (Morgan, J. Chem. Doc. 5 (1965) 107). Mirror images, and cis and trans, have one key; what is no
 * SMILES has its own text. A ring that one way writes aromatic and the other with double bonds has two.
 */
export function structureKey(smiles: string): string {
  const known = keys.get(smiles)
  if (known !== undefined) return known
  const structure = structureOf(smiles)
  const key = structure ? keyOf(structure) : smiles
  if (keys.size < 2000) keys.set(smiles, key)
  return key
}

function keyOf(structure: Structure): string {
  let told = structure.map((atom) => [atom.symbol, atom.aromatic, atom.charge, hydrogensOf(atom)].join(' '))
  for (let round = 0; round < structure.length; round++)
    told = structure.map(({ bonds }, at) =>
      hashOf([told[at], ...bonds.map(({ to, order }) => `${order} ${told[to]}`).sort()].join('|')),
    )
  return told.sort().join(' ')
}

/** A short word for a long one (FNV-1a, 32 bits). */
function hashOf(text: string): string {
  let hash = 0x811c9dc5
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193)
  return (hash >>> 0).toString(36)
}

/** True for two ways of writing one structure; false where one of them is not known. */
export const sameStructure = (one: string | undefined, other: string | undefined): boolean =>
  one !== undefined && other !== undefined && (one === other || structureKey(one) === structureKey(other))
