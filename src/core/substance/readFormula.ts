import { atomicWeights } from './atomicWeights'

/** Numbers of atoms by element symbol, and the charge in units of the elementary charge. */
export interface Composition {
  atoms: Readonly<Record<string, number>>
  charge: number
}

/** A formula that cannot be read; `at` is the position of the offending character, counted from 0. */
export class FormulaError extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message)
    this.name = 'FormulaError'
  }
}

const subscripts = '₀₁₂₃₄₅₆₇₈₉'
const superscripts = '⁰¹²³⁴⁵⁶⁷⁸⁹'
const closing: Record<string, string> = { '(': ')', '[': ']', '{': '}' }

/**
 * Reads a chemical formula strictly: element symbols, counts, brackets of three kinds, D for deuterium, a hydrate or adduct
 * after `·`, `.` or `*` with a whole leading number (`CuSO4.5H2O` is copper sulfate with five waters, never a decimal),
 * and a charge at the end (`^2-`, `+`, `3+` after a caret, or superscripts).
 * @throws FormulaError that names the character and its position.
 */
export function readFormula(text: string): Composition {
  const known = read.get(text)
  if (known) return known
  const composition = parsed(text)
  // What people type is endless, what a course uses is not.
  if (read.size < 2000) read.set(text, composition)
  return composition
}

/** Formulas that were read before: a table asks for the same ones at every keystroke. */
const read = new Map<string, Composition>()

function parsed(text: string): Composition {
  // Printed digits become plain ones one for one, so that positions in errors stay true.
  const source = [...text]
    .map((character) => (subscripts.includes(character) ? String(subscripts.indexOf(character)) : character))
    .join('')
  const total: Record<string, number> = {}
  let at = 0
  let charge = 0

  const fail = (message: string, position = at): never => {
    throw new FormulaError(message, position)
  }
  const wholeNumber = (): number | undefined => {
    const start = at
    while (at < source.length && source[at]! >= '0' && source[at]! <= '9') at++
    if (at === start) return undefined
    const number = Number(source.slice(start, at))
    if (number === 0) fail('A count of zero says nothing: leave the symbol out.', start)
    if (number > 100_000) fail('This count is too large.', start)
    return number
  }
  const group = (end: string | undefined): Record<string, number> => {
    const atoms: Record<string, number> = {}
    const add = (symbol: string, count: number) => (atoms[symbol] = (atoms[symbol] ?? 0) + count)
    while (at < source.length) {
      const character = source[at]!
      if (character === end) return atoms
      if (character in closing) {
        const opened = at++
        const inner = group(closing[character])
        if (source[at] !== closing[character]) fail(`The bracket opened here is never closed with ${closing[character]}.`, opened)
        at++
        if (Object.keys(inner).length === 0) fail('There is nothing between these brackets.', opened)
        const times = wholeNumber() ?? 1
        for (const [symbol, count] of Object.entries(inner)) add(symbol, count * times)
      } else if (character >= 'A' && character <= 'Z') {
        const two = source.slice(at, at + 2)
        const symbol = /^[A-Z][a-z]$/.test(two) ? two : character
        if (!(symbol in atomicWeights)) fail(`${symbol} is not the symbol of an element with a standard atomic weight.`)
        at += symbol.length
        add(symbol, wholeNumber() ?? 1)
      } else if (end === undefined && (isAdductMark(character) || isChargeMark(character))) {
        return atoms
      } else {
        fail(unexpected(character, end))
      }
    }
    return atoms
  }

  if (source.trim() === '') fail('There is no formula here. Write for example C8H9NO.', 0)
  for (let first = true; at < source.length; first = false) {
    if (!first) {
      if (!isAdductMark(source[at]!)) break
      at++
    }
    const start = at
    const times = wholeNumber() ?? 1
    if (first && at > start) fail('A formula does not begin with a number; the coefficient stands in the reaction table.', start)
    const part = group(undefined)
    if (Object.keys(part).length === 0) fail('Something is missing here.', Math.min(at, source.length))
    for (const [symbol, count] of Object.entries(part)) total[symbol] = (total[symbol] ?? 0) + count * times
  }
  if (at < source.length) charge = readCharge(source, at, fail)
  return { atoms: total, charge }
}

function isAdductMark(character: string): boolean {
  return character === '·' || character === '.' || character === '*' || character === '•' || character === '∙'
}

function isChargeMark(character: string): boolean {
  return (
    character === '^' ||
    character === '+' ||
    character === '-' ||
    character === '−' ||
    character === '⁺' ||
    character === '⁻' ||
    superscripts.includes(character)
  )
}

function readCharge(source: string, from: number, fail: (message: string, at?: number) => never): number {
  const written = [...source.slice(from)]
    .map((character) => (superscripts.includes(character) ? String(superscripts.indexOf(character)) : character))
    .join('')
    .replace('⁺', '+')
    .replace(/[⁻−]/, '-')
  const charge = /^\^?(\d*)([+-])$/.exec(written)
  if (!charge) fail('After the formula only a charge may follow, such as ^2- or +.', from)
  return (charge![2] === '-' ? -1 : 1) * Number(charge![1] || 1)
}

function unexpected(character: string, end: string | undefined): string {
  if (/[a-z]/.test(character)) return `“${character}” stands where a symbol begins: symbols begin with a capital letter.`
  if (/\d/.test(character)) return `“${character}” is a number with nothing to count.`
  if (/\s/.test(character)) return 'A formula has no spaces; a hydrate is written with ·, . or *.'
  if (end !== undefined) return `“${character}” stands where ${end} or a symbol is expected.`
  return `“${character}” has no meaning in a formula.`
}
