import { figuresIn, type Figure, type FigureKind } from './figures'
import { numberDigits, numberIn } from './number'
import type { Named } from './names'
import type { Portion } from './portions'
import { within, type Span } from './span'

/** A row of a table of reagents. */
export interface Row extends Span {
  portion: Portion
}

interface Cell extends Span {
  text: string
}

const heads: readonly [RegExp, FigureKind, string][] = [
  [/g\s?\/\s?mol|g mol-1|^mw$|^m\.?\s?w\.?$|molar mass|^m\s?[(/]/i, 'molar mass', 'g/mol'],
  [/density|g\/mL/i, 'density', 'g/mL'],
  [/mmol/i, 'amount', 'mmol'],
  [/\bmol\b|moles/i, 'amount', 'mol'],
  [/equiv|\beq\b|ratio/i, 'equivalents', 'equiv'],
  [/\bmg\b/i, 'mass', 'mg'],
  [/\bm[lL]\b|cm3|volume/i, 'volume', 'mL'],
  [/\bg\b|mass|weight/i, 'mass', 'g'],
]

const headWords =
  /\b(?:substances?|compounds?|reagents?|materials?|chemicals?|names?|amounts?|quantit(?:y|ies)|mass|volume|mmol|equiv|eq|mw|density|formula|notes?|role)\b/gi

/** What parts the cells of a row; undefined where it is no row. */
function separatorOf(line: string): RegExp | undefined {
  if (line.includes('|')) return /\|/g
  if (line.includes('\t')) return /\t/g
  if (/\S {3,}\S/.test(line) && line.length < 200) return / {3,}/g
  if (line.split(';').length > 2 && line.split(';').every((cell) => cell.trim().length < 40)) return /;/g
  return undefined
}

function cellsOf(line: string, from: number, separator: RegExp): Cell[] {
  const cells: Cell[] = []
  let at = 0
  const put = (to: number) => {
    cells.push({ text: line.slice(at, to).trim().replace(/^"|"$/g, ''), from: from + at, to: from + to })
  }
  for (const match of line.matchAll(separator)) {
    put(match.index)
    at = match.index + match[0].length
  }
  put(line.length)
  const trimmed = line.trimStart().startsWith('|') ? cells.slice(1) : cells
  return trimmed.at(-1)?.text === '' && line.trimEnd().endsWith('|') ? trimmed.slice(0, -1) : trimmed
}

interface TextLine extends Span {
  text: string
}

const linesOf = (plain: string): TextLine[] => {
  let from = 0
  return plain.split('\n').map((text) => {
    const line = { text, from, to: from + text.length }
    from += text.length + 1
    return line
  })
}

const isHead = (cells: readonly Cell[]) => {
  const text = cells.map((cell) => cell.text).join(' ')
  return (text.match(headWords) ?? []).length >= 2 && !/\d\s?(?:g|m[lL])\b(?!\/)/.test(text)
}

/** Figures of a cell: with their own unit, or a bare number with that of its column. */
function cellFigures(cell: Cell, head: string | undefined): Figure[] {
  const own = figuresIn(cell.text).map((each) => ({ ...each, from: each.from + cell.from, to: each.to + cell.from }))
  if (own.length > 0) return own
  const bare = new RegExp(`^(?:ca\\.?\\s*)?(${numberDigits})$`).exec(cell.text)
  const column = head === undefined ? undefined : heads.find(([pattern]) => pattern.test(head))
  if (!bare || !column) return []
  const { value, decimals } = numberIn(bare[1]!)
  return [{ from: cell.from, to: cell.to, kind: column[1], low: value, high: value, unit: column[2], decimals }]
}

/** A CSV of a spreadsheet: the first line is its head, and every line has as many commas. */
function commaTable(lines: readonly TextLine[]): RegExp | undefined {
  const [head] = lines
  if (!head || separatorOf(head.text)) return undefined
  const commas = head.text.split(',').length
  return commas > 1 && isHead(cellsOf(head.text, 0, /,/g)) ? /,(?=(?:[^"]*"[^"]*")*[^"]*$)/g : undefined
}

/** The rows of tables in the text that hold an amount, and the places that tables take. */
export function tablesIn(plain: string, names: readonly Named[]): { rows: Row[]; places: Span[] } {
  const rows: Row[] = []
  const places: Span[] = []
  let head: readonly Cell[] | undefined
  const lines = linesOf(plain)
  const comma = commaTable(lines)
  for (const line of lines) {
    const separator = separatorOf(line.text) ?? (comma && line.text.split(',').length > 1 ? comma : undefined)
    if (!separator) {
      if (line.text.trim() !== '') head = undefined
      continue
    }
    const cells = cellsOf(line.text, line.from, separator)
    if (/^[\s|:+-]+$/.test(line.text)) {
      places.push(line)
      continue
    }
    // Semicolons part a table only below its head; else they part the things of a list.
    if (separator.source === ';' && !head && !isHead(cells)) continue
    if (isHead(cells)) {
      head = cells
      places.push(line)
      continue
    }
    const portion = rowPortion(plain, line, cells, head, names)
    if (!portion) continue
    rows.push({ from: line.from, to: line.to, portion })
    places.push(line)
  }
  return { rows, places }
}

function rowPortion(
  plain: string,
  line: TextLine,
  cells: readonly Cell[],
  head: readonly Cell[] | undefined,
  names: readonly Named[],
): Portion | undefined {
  const named = names.find((name) => within(name, line))
  const figures = cells.flatMap((cell, index) => cellFigures(cell, head?.[index]?.text))
  const measure =
    figures.find(({ kind }) => kind === 'mass' || kind === 'volume') ?? figures.find(({ kind }) => kind === 'amount')
  if (!measure || (!named && !head)) return undefined
  const strength = figures.find(({ kind }) => kind === 'strength' || kind === 'percent')
  const first = cells.find(({ text }) => /[a-z]{3}/i.test(text))
  if (!named && !first) return undefined
  return {
    from: line.from,
    to: line.to,
    of: named?.of ?? [],
    written: named ? plain.slice(named.from, named.to) : first!.text,
    measure,
    besides: figures.filter((each) => each !== measure && each !== strength),
    ...(strength ? { strength } : {}),
    ...(named?.strength ? { strong: named.strength } : {}),
    ...(/\bconc/i.test(line.text)
      ? { strong: 'concentrated' as const }
      : /\bsat(?:urated|d|\.)/i.test(line.text)
        ? { strong: 'saturated' as const }
        : {}),
  }
}
