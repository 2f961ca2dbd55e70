import { plainName } from '../../substance/search'
import { readFormula } from '../../substance/readFormula'
import type { Form } from '../../plan/plan'
import type { Substance } from '../../substance/substance'
import type { Span } from './span'

/** What a reader knows of substances: records with all that each is called, and bottles that stand ready. */
export interface Lexicon {
  substances: readonly { substance: Substance; names: readonly string[] }[]
  /** What people write for a substance besides its names: `DCM`, `brine`; `strength` where the word says one. */
  shorthand: readonly { written: string; of: string; strength?: 'saturated' }[]
  /** Strengths that are in use, for a bottle that is named without figure. */
  bottles: readonly { of: string; name: string; form: Form; kind: 'concentrated' | 'saturated' | 'other' }[]
  /** Ids of what is usually there to dissolve others. */
  solvents: readonly string[]
  /** Small molecules and salts that form besides a product. */
  byProducts: readonly Substance[]
}

/** A substance where the text names it. */
export interface Named extends Span {
  /** More than one where the text does not tell them apart. */
  of: readonly Substance[]
  strength?: 'saturated'
  /** No record is called so, but a table or list of the text is where it stands with an amount. */
  listed?: true
}

interface Entry {
  of: Substance[]
  strength?: 'saturated'
}

export interface NameTable {
  names: ReadonlyMap<string, Entry>
  formulas: ReadonlyMap<string, Entry>
  exact: ReadonlyMap<string, Entry>
  /** How names begin: most words begin none, and need not be looked up. */
  starts: ReadonlySet<string>
}

/** Atoms in one order, so that CH3OH and CH4O are the same. */
const sameAtoms = (formula: string): string | undefined => {
  try {
    const { atoms } = readFormula(formula)
    return Object.keys(atoms)
      .sort()
      .map((symbol) => `${symbol}${atoms[symbol]}`)
      .join('')
  } catch {
    return undefined
  }
}

/** Words as they are compared: another spelling of the same name is the same. */
const spelt = (text: string) =>
  plainName(text)
    .replace(/aluminum/g, 'aluminium')
    .replace(/cesium/g, 'caesium')
    .replace(/ae(?=ther)/g, 'e')

const located = /^(.*?)((?:meth|eth|prop|but|pent|hex|hept|oct|cyclohex|cyclopent)(?:an|en)?)-(\d)-(ol|one|al|amine|ene)$/

/** A name and its older form with the number in front of the stem: butan-2-ol and 2-butanol. */
const forms = (name: string): string[] => {
  const [, before, stem, number, ending] = located.exec(name) ?? []
  const all = stem === undefined ? [name] : [name, `${before}${number}${stem}${ending}`]
  return /^(?:prop|but|pent|hex|hept|oct)yl\b/.test(name) ? [...all, `n-${name}`] : all
}

/** Prepared once for a set of substances. */
export function nameTable({ substances, shorthand }: Lexicon): NameTable {
  const names = new Map<string, Entry>()
  const formulas = new Map<string, Entry>()
  const exact = new Map<string, Entry>()
  const put = (map: Map<string, Entry>, key: string, substance: Substance, strength?: 'saturated') => {
    const known = map.get(key)
    if (known?.of.includes(substance)) return
    map.set(key, { of: [...(known?.of ?? []), substance], ...(strength ? { strength } : {}) })
  }
  for (const { substance, names: called } of substances) {
    for (const name of called.flatMap(forms)) if (!names.has(spelt(name))) put(names, spelt(name), substance)
    if (substance.formula === undefined) continue
    // One letter is a heading or a flask before it is an element.
    if (substance.formula.length > 1) put(exact, substance.formula.replace(/[·.*]/g, '·'), substance)
    const key = sameAtoms(substance.formula)
    if (key) put(formulas, key, substance)
  }
  for (const { written, of, strength } of shorthand) {
    const found = substances.find(({ substance }) => substance.id === of)
    if (!found) continue
    const map = /^[A-Z][A-Za-z0-9]*$|[A-Z].*[A-Z]/.test(written) ? exact : names
    const key = map === exact ? written : spelt(written)
    map.set(key, { of: [found.substance], ...(strength ? { strength } : {}) })
  }
  return { names, formulas, exact, starts: new Set([...names.keys()].map((name) => name.slice(0, beginning))) }
}

/** Letters that two names may have in common at their beginning. */
const beginning = 3

const wordChar = /[\p{L}\d]/u
const longestName = 70
/** Words that are a substance's name only by themselves: before an ending of a salt they are the half of another. */
const cation =
  /^(?:sodium|potassium|lithium|calcium|magnesium|zinc|copper|iron|tin|silver|aluminium|barium|ammonium|methyl|ethyl|propyl|butyl|phenyl|benzyl)$/i
const restOfSalt = /^\s(?:\p{L}+\s)?(?:hydrogen\s?)?\p{L}*(?:ate|ide|ite|oxide)\b/iu

/** Elements and atoms count in a row: a formula, and no word or a vessel's number. */
const formulaToken = /^(?:[A-Z][a-z]?\d*|\((?:[A-Z][a-z]?\d*)+\)\d*)+(?:[·.*]\d*(?:H2O))?$/

function formulaAt(plain: string, from: number, { formulas, exact }: NameTable): Named | undefined {
  const [token] = /^[A-Za-z0-9()]+(?:[·*.]\d*H2O)?/.exec(plain.slice(from, from + 30)) ?? []
  if (!token) return undefined
  const trimmed = token.replace(/\($/, '').replace(/\)$/, (end, at) => (token.slice(0, at).includes('(') ? end : ''))
  const written = exact.get(trimmed.replace(/[*.]/g, '·'))
  if (written) return { from, to: from + trimmed.length, ...written }
  if (!formulaToken.test(trimmed) || !/\d|[a-z]?[A-Z].*[A-Z]/.test(trimmed)) return undefined
  const atoms = sameAtoms(trimmed)
  const found = atoms ? formulas.get(atoms) : undefined
  return found && { from, to: from + trimmed.length, ...found }
}

function nameAt(plain: string, from: number, table: NameTable): Named | undefined {
  const piece = plain.slice(from, from + longestName).split(/[\n\t|;:!?]|\.\s/)[0]!
  // Twelve signs hold three letters of any name, whatever marks stand among them.
  const start = spelt(piece.slice(0, 12)).slice(0, beginning)
  if (start.length === beginning && !table.starts.has(start)) return undefined
  for (let length = piece.length; length > 1; length--) {
    if (wordChar.test(piece[length - 1]!) === false && !/[)\]]/.test(piece[length - 1]!)) continue
    if (wordChar.test(plain[from + length] ?? ' ')) continue
    const said = piece.slice(0, length)
    const found = table.names.get(spelt(said)) ?? (said.endsWith('s') ? table.names.get(spelt(said.slice(0, -1))) : undefined)
    if (found) return { from, to: from + length, ...found }
  }
  return undefined
}

/** Every substance that the text names, in its order; the longest name that fits counts. */
export function namesIn(plain: string, table: NameTable): Named[] {
  const found: Named[] = []
  let at = 0
  while (at < plain.length) {
    const starts = wordChar.test(plain[at]!) && !wordChar.test(plain[at - 1] ?? ' ')
    // `m-nitro`, `ethyl 4-methyl…`: what stands before belongs to the name.
    const inside = /(?:yl|di|tri|iso|nitro|bromo|chloro|hydroxy|amino|oxo)-$/i.test(plain.slice(Math.max(0, at - 10), at))
    const named = starts && !inside ? (formulaAt(plain, at, table) ?? nameAt(plain, at, table)) : undefined
    if (!named || isPartOfAnother(plain, named)) {
      at++
      continue
    }
    found.push(named)
    at = named.to
  }
  return found
}

function isPartOfAnother(plain: string, { from, to }: Span): boolean {
  const said = plain.slice(from, to)
  const after = plain.slice(to, to + 40)
  // `water bath`, `ice-water bath`: apparatus, and no substance that is taken.
  if (/^[\s-](?:water[\s-])?(?:bath|condenser|pump|jacket|aspirator)s?\b/i.test(after)) return true
  if (/^-\p{L}/u.test(after) && !/^-(?:water|free|toluene|dried)/i.test(after)) return true
  return cation.test(said) && restOfSalt.test(after)
}

/** Where the text speaks again of what only its own table or list names: `the crude acid`. */
export function namedAgain(plain: string, listed: readonly (Span & { written: string })[], names: readonly Named[]): Named[] {
  const literal = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  return listed
    .filter(({ written }) => written.length > 3)
    .flatMap(({ written, from, to }) =>
      [...plain.matchAll(new RegExp(`(?<![\\p{L}\\d])${literal(written)}(?![\\p{L}\\d])`, 'giu'))]
        .map((match): Named => ({ from: match.index, to: match.index + match[0].length, of: [], listed: true }))
        .filter((again) => again.from >= to || again.to <= from),
    )
    .filter((again) => !names.some((name) => name.from < again.to && again.from < name.to))
}
