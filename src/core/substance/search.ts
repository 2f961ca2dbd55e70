import { distance } from 'fastest-levenshtein'
import { readFormula } from './readFormula'

/** What a search looks at. */
export interface Named {
  name: string
  systematicName?: string
  synonyms?: readonly string[]
  /** Absent on a mixture. */
  formula?: string
}

export interface SubstanceIndex<T extends Named> {
  entries: { record: T; names: string[]; formulas: string[] }[]
}

/** Lower case, with dashes, blanks, commas and brackets taken out, so that `N,N dimethyl-aniline` finds N,N-dimethylaniline. */
export function plainName(text: string): string {
  return text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/sulph/g, 'sulf')
    .replace(/[\s,.·*'’()[\]{}\-–]/g, '')
}

/** Prepares records for searching. */
export function substanceIndex<T extends Named>(records: readonly T[]): SubstanceIndex<T> {
  return {
    entries: records.map((record) => ({
      record,
      names: [record.name, ...(record.systematicName ? [record.systematicName] : []), ...(record.synonyms ?? [])].map(plainName),
      formulas:
        record.formula === undefined ? [] : [...new Set([plainName(record.formula), plainName(inHillOrder(record.formula))])],
    })),
  }
}

/**
 * Records whose name, synonym or formula is, begins with or contains the text, best first: whole name or formula, then the start of a
 * name, then the start of a formula, then anywhere. Shorter names win among equals. Nothing typed finds nothing.
 */
export function searchSubstances<T extends Named>(index: SubstanceIndex<T>, text: string, most = 12): T[] {
  const wanted = plainName(text)
  if (wanted === '') return []
  const found: { record: T; rank: number; length: number }[] = []
  for (const { record, names, formulas } of index.entries) {
    const rank = rankOf(names, formulas, wanted)
    if (rank < 5) found.push({ record, rank, length: names[0]!.length })
  }
  return found
    .sort((a, b) => a.rank - b.rank || a.length - b.length || a.record.name.localeCompare(b.record.name))
    .slice(0, most)
    .map(({ record }) => record)
}

/**
 * Records whose name is nearest to what was typed, for what no name holds: as many letters may be wrong as a typist gets wrong, one in four. The nearest first, a name before a synonym; nothing for less than four letters.
 */
export function nearestSubstances<T extends Named>(index: SubstanceIndex<T>, text: string, most = 4): T[] {
  const wanted = plainName(text)
  if (wanted.length < 4) return []
  const allowed = Math.max(1, Math.floor(wanted.length / 4))
  return index.entries
    .map(({ record, names }) => ({
      record,
      away: Math.min(...names.map((name, place) => distance(name, wanted) + (place === 0 ? 0 : 0.5))),
    }))
    .filter(({ away }) => away <= allowed)
    .sort((a, b) => a.away - b.away || a.record.name.localeCompare(b.record.name))
    .slice(0, most)
    .map(({ record }) => record)
}

function rankOf(names: readonly string[], formulas: readonly string[], wanted: string): number {
  if (names.includes(wanted) || formulas.includes(wanted)) return 0
  if (names[0]!.startsWith(wanted)) return 1
  if (names.some((name) => name.startsWith(wanted))) return 2
  if (formulas.some((formula) => formula.startsWith(wanted))) return 3
  return names.some((name) => name.includes(wanted)) || formulas.some((formula) => formula.includes(wanted)) ? 4 : 5
}

/** Carbon first, then hydrogen, then the rest by the alphabet: `CH3OH` and `CH4O` find each other. */
function inHillOrder(formula: string): string {
  const { atoms } = readFormula(formula)
  const first = atoms.C ? ['C', 'H'] : []
  const symbols = [
    ...first,
    ...Object.keys(atoms)
      .filter((symbol) => !first.includes(symbol))
      .sort(),
  ]
  return symbols.map((symbol) => (atoms[symbol] ? `${symbol}${atoms[symbol] === 1 ? '' : atoms[symbol]}` : '')).join('')
}

/** Whether every word that was typed stands in the words that something is called by, in any order: `5 % bicarbonate`, `NaHCO3`, `sodium hydrogencarbonate`. */
export function isCalled(words: string, typed: string): boolean {
  const wanted = typed.trim().split(/\s+/).map(plainName).filter(Boolean)
  return wanted.every((word) => words.includes(word))
}
