import type { Unit } from '../../quantity/unit'
import { numberDigits, numberIn, numberWord } from './number'
import type { Span } from './span'

export type FigureKind =
  | 'mass'
  | 'volume'
  | 'amount'
  | 'time'
  | 'temperature'
  | 'strength'
  | 'percent'
  | 'mol percent'
  | 'equivalents'
  | 'drops'
  | 'pH'
  | 'pressure'
  | 'molar mass'
  | 'per gram'
  | 'density'

/** A figure as the text has it: a range has two ends, others twice the same. */
export interface Figure extends Span {
  kind: FigureKind
  low: number
  high: number
  unit: string
  decimals: number
  /** So many times it, as in 3 x 20 mL. */
  times?: number
  /** Said with ca. or about. */
  about?: true
  bound?: 'below' | 'above'
  /** What a percentage is of, where the text says it. */
  basis?: 'w/v' | 'w/w' | 'v/v'
  /** A comma that can mean two things. */
  twoWays?: true
}

interface UnitPattern {
  kind: FigureKind
  pattern: string
  unit: Unit | 'equiv' | 'drops' | 'mL/g' | 'mmHg' | 'g/mol' | ''
  factor?: number
}

const u = (kind: FigureKind, unit: UnitPattern['unit'], pattern: string, factor?: number): UnitPattern => ({
  kind,
  unit,
  pattern,
  ...(factor === undefined ? {} : { factor }),
})

/** Every spelling of a unit that is understood; the longer before those that they begin with. */
const unitPatterns: readonly UnitPattern[] = [
  u('molar mass', 'g/mol', String.raw`g\s?\/\s?mol|g\smol-1`),
  u('density', 'g/mL', String.raw`g\s?\/\s?(?:m[Ll]|cm\^?3|cc)|g\s(?:m[Ll]|cm)-[13]`),
  u('per gram', 'mL/g', String.raw`(?:m[Ll]|cm\^?3)\s?(?:\/|per)\s?g(?:ram)?`),
  u('mass', 'kg', 'kg'),
  u('mass', 'mg', 'mg|milligrams?'),
  u('mass', 'µg', 'µg'),
  u('strength', 'mol/L', String.raw`mol\s?\/\s?(?:[Ll]|dm\^?3)|mol\s(?:dm-3|[Ll]-1)|M(?![a-zA-Z])`),
  u('amount', 'mmol', 'mmol|millimoles?'),
  u('amount', 'µmol', 'µmol'),
  u('mol percent', '%', String.raw`mol\s?%`),
  u('amount', 'mol', 'moles?|mol'),
  u('volume', 'µL', String.raw`µ[Ll]|microlit(?:re|er)s?`),
  u('volume', 'mL', String.raw`m[Ll]s?|cm\^?3|c\.?c\.?(?![a-z])|millilit(?:re|er)s?`),
  u('volume', 'L', String.raw`dm\^?3|[Ll]|lit(?:re|er)s?`),
  u('pressure', 'mmHg', String.raw`mm\s?Hg|torr`),
  u('pressure', 'mmHg', 'mbar|hPa', 0.750062),
  u('time', 'h', 'hours?|hrs?|h'),
  u('time', 'min', 'minutes?|mins?|min'),
  u('time', 's', 'seconds?|secs?|s'),
  u('time', 'h', 'days?', 24),
  u('temperature', '°C', String.raw`°\s?C?|oC|deg(?:rees?|\.)?\s?(?:C(?:elsius|entigrade)?)?|C(?![a-zA-Z0-9(])`),
  u('percent', '%', '%|per ?cent'),
  u('equivalents', 'equiv', String.raw`(?:molar\s)?equiv(?:alents?|s?\.)?|eq\.?|molar equivalents?`),
  u('drops', 'drops', 'drops?'),
  u('mass', 'g', 'grams?|gms?|g'),
]

const number = `(?:${numberDigits}|${numberWord})`
const about = String.raw`(?:ca\.?|about|approx(?:imately|\.)?|circa|roughly|around|~|c\.)\s?`
const below = String.raw`(?:below|under|(?:does|must|should|may|will) not (?:exceed|go above|rise above|pass)|not exceeding|not above|never above|no higher than|at most|not more than|less than|does not rise above|rises? above|up to|<|≤)`
const above = String.raw`(?:above|over|at least|not below|more than|>|≥)`
const unitSource = unitPatterns.map(({ pattern }, index) => `(?<u${index}>(?:${pattern}))`).join('|')

/** `3 x`, `two portions of`, `two 5-mL portions`: what comes before or after so many of the same. */
const figure = new RegExp(
  String.raw`(?:(?<bound>${below}|${above})\s+)?(?<about>${about})?` +
    String.raw`(?:(?<times>${number})\s?(?:x|\*|times|portions of|lots of|parts of|aliquots of|portions each of)\s?|(?<lots>${number})\s(?=${numberDigits}[\s-]?(?:m[Ll]|cm3?|g|millilit(?:re|er)s?)[\s-]))?` +
    String.raw`(?<sign>-(?=\d))?(?<low>${number})(?:\s?(?:-|to|±)\s?(?<high>${number}))?[\s-]?(?:${unitSource})(?![A-Za-zµ°])`,
  'gi',
)

const caseSensitive = new Set(['M', 'mM', 'C'])

/** True for what only looks like a unit because case is not looked at. */
const isMisread = (written: string, unit: UnitPattern): boolean =>
  (unit.unit === 'mol/L' && written.toLowerCase() === 'm' && !caseSensitive.has(written)) ||
  (unit.unit === '°C' && written === 'c') ||
  (written === 'S' && unit.unit === 's') ||
  (written === 'G' && unit.unit === 'g') ||
  (written === 'H' && unit.unit === 'h')

const basisBehind = /^\s?\(?(w\/v|m\/v|w\/w|m\/m|v\/v|by (?:mass|weight|volume))\)?/i

function basisOf(text: string): { basis: NonNullable<Figure['basis']>; length: number } | undefined {
  const [whole, said] = basisBehind.exec(text) ?? []
  if (!whole || !said) return undefined
  const plain = said.toLowerCase()
  const basis = /^[wm]\/v$/.test(plain) ? 'w/v' : /volume|v\/v/.test(plain) ? 'v/v' : 'w/w'
  return { basis, length: whole.length }
}

function figureOf(match: RegExpExecArray, plain: string): Figure | undefined {
  const groups = match.groups!
  const index = unitPatterns.findIndex((_, place) => groups[`u${place}`] !== undefined)
  const unit = unitPatterns[index]!
  if (isMisread(groups[`u${index}`]!, unit)) return undefined
  const factor = unit.factor ?? 1
  const low = numberIn(groups.low!)
  const high = groups.high === undefined ? low : numberIn(groups.high)
  const sign = groups.sign ? -1 : 1
  const lots = groups.times ?? groups.lots
  const basis = unit.kind === 'percent' ? basisOf(plain.slice(match.index + match[0].length)) : undefined
  const bound = groups.bound && (new RegExp(`^${below}$`, 'i').test(groups.bound) ? 'below' : 'above')
  const lead = groups.bound && unit.kind !== 'temperature' ? match[0].length - match[0].replace(/^\S+\s+/, '').length : 0
  return {
    from: match.index + lead,
    to: match.index + match[0].length + (basis?.length ?? 0),
    kind: unit.kind,
    low: sign * Math.min(low.value, high.value) * factor,
    high: sign * Math.max(low.value, high.value) * factor,
    unit: unit.unit,
    decimals: Math.max(low.decimals, high.decimals),
    ...(lots === undefined ? {} : { times: numberIn(lots).value }),
    ...(groups.about ? { about: true as const } : {}),
    ...(bound && unit.kind === 'temperature' ? { bound: bound as 'below' | 'above' } : {}),
    ...(basis ? { basis: basis.basis } : {}),
    ...(low.twoWays || high.twoWays ? { twoWays: true as const } : {}),
  }
}

const worded: readonly [RegExp, number][] = [
  [/\b(?:half an hour|half-hour)\b/gi, 30],
  [/\b(?:a quarter of an hour|quarter of an hour)\b/gi, 15],
  [/\bthree quarters of an hour\b/gi, 45],
  [/\b(?:an|one) hour and a half\b|\bone and a half hours\b/gi, 90],
  [/\b(?:an hour)\b/gi, 60],
  [/\b(?:a minute)\b/gi, 1],
]

/** Where nobody says how long a night is: from the end of one day to the morning of the next; judgement. */
const nightMin = 960

function timesInWords(plain: string): Figure[] {
  const found = worded.flatMap(([pattern, minutes]) =>
    [...plain.matchAll(pattern)].map((match): Figure => ({
      from: match.index,
      to: match.index + match[0].length,
      kind: 'time',
      low: minutes,
      high: minutes,
      unit: 'min',
      decimals: 0,
    })),
  )
  const nights = [...plain.matchAll(/\bovernight\b/gi)].map((match): Figure => ({
    from: match.index,
    to: match.index + match[0].length,
    kind: 'time',
    low: nightMin,
    high: nightMin,
    unit: 'min',
    decimals: 0,
    about: true,
  }))
  return [...found, ...nights]
}

/** `an equimolar amount of`: one mole for each of what is counted from. */
const equimolar = (plain: string): Figure[] =>
  [...plain.matchAll(/\b(?:an? |the )?equimolar (?:amount|quantity|portion)s?(?= of\b)/gi)].map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
    kind: 'equivalents',
    low: 1,
    high: 1,
    unit: 'equiv',
    decimals: 0,
  }))

const acidity = new RegExp(
  String.raw`\bpH\s*(?:of|is|=|to|about|ca\.?|around|~)?\s*(?<bound><|>|below|above)?\s*(?<low>\d+(?:[.,]\d+)?)(?:\s?(?:-|to)\s?(?<high>\d+(?:[.,]\d+)?))?`,
  'g',
)

const acidities = (plain: string): Figure[] =>
  [...plain.matchAll(acidity)].map((match) => {
    const low = numberIn(match.groups!.low!)
    const high = match.groups!.high ? numberIn(match.groups!.high) : low
    const bound = match.groups!.bound
    return {
      from: match.index,
      to: match.index + match[0].length,
      kind: 'pH' as const,
      low: Math.min(low.value, high.value),
      high: Math.max(low.value, high.value),
      unit: '',
      decimals: low.decimals,
      ...(bound ? { bound: /<|below/.test(bound) ? ('below' as const) : ('above' as const) } : {}),
    }
  })

const between = /\bbetween\s+$/i
const joins = /^\s*(?:to|and|-)\s*$/

/** Two ends with a unit each: `0 °C to 10 °C`, `between 137 °C and 143 °C`; and one with its unit once: `between 0 and 10 °C`; and `1 h 30 min`. */
function joined(plain: string, figures: readonly Figure[]): Figure[] {
  return figures.reduce<Figure[]>((done, next) => {
    const last = done.at(-1)
    const gap = last ? plain.slice(last.to, next.from) : ''
    const sameKind = last?.kind === next.kind && last.times === undefined && next.times === undefined
    if (last && sameKind && next.kind === 'time' && /^\s*(?:and)?\s*$/.test(gap) && last.low > 0 && last.unit !== next.unit) {
      const minutes = (each: Figure) => (each.unit === 'h' ? 60 : each.unit === 's' ? 1 / 60 : 1)
      const low = last.low * minutes(last) + next.low * minutes(next)
      return [...done.slice(0, -1), { ...last, to: next.to, low, high: low, unit: 'min', decimals: 0 }]
    }
    if (
      last &&
      sameKind &&
      last.unit === next.unit &&
      joins.test(gap) &&
      (!/and/.test(gap) || between.test(plain.slice(0, last.from)))
    )
      return [
        ...done.slice(0, -1),
        { ...last, to: next.to, low: Math.min(last.low, next.low), high: Math.max(last.high, next.high) },
      ]
    const [lead, first] =
      new RegExp(`(?:between|from)\\s+(-?${numberDigits})\\s+(?:and|to)\\s+$`, 'i').exec(plain.slice(0, next.from)) ?? []
    if (lead && first && next.low === next.high) {
      const other = numberIn(first.replace(/^-/, '')).value * (first.startsWith('-') ? -1 : 1)
      const from = next.from - lead.length + lead.indexOf(first)
      return [...done, { ...next, from, low: Math.min(other, next.low), high: Math.max(other, next.high) }]
    }
    return [...done, next]
  }, [])
}

/** Portions said around a figure: `two 5-mL portions`, `twice with 10 mL`, `10 mL three times`. */
function counted(plain: string, each: Figure): Figure {
  if (each.times !== undefined || (each.kind !== 'volume' && each.kind !== 'mass')) return each
  const before = plain.slice(Math.max(0, each.from - 40), each.from)
  const after = plain.slice(each.to, each.to + 40)
  const [, again] =
    new RegExp(`\\b(twice|thrice|${number} times)\\b[^.;]{0,24}$`, 'i').exec(before) ??
    new RegExp(`^[^.;,]{0,30}\\b(twice|thrice|${number} times)\\b`, 'i').exec(after) ??
    []
  if (again === undefined) return each
  const times = /twice/i.test(again) ? 2 : /thrice/i.test(again) ? 3 : numberIn(again.replace(/ times/i, '')).value
  return { ...each, times }
}

/** `one drop every two seconds`: how fast, and not how long. */
const isRate = (plain: string, { kind, from }: Figure) =>
  kind === 'time' && /\b(?:every|per|each)\s+$/i.test(plain.slice(0, from))

/** Every figure of the text, in its order. */
export function figuresIn(plain: string): Figure[] {
  const found: Figure[] = []
  figure.lastIndex = 0
  for (let match = figure.exec(plain); match; match = figure.exec(plain)) {
    const before = plain[match.index - 1] ?? ' '
    const read = /[A-Za-z0-9.,]/.test(before) && !/[.,]/.test(before) ? undefined : figureOf(match, plain)
    if (read) found.push(read)
    else figure.lastIndex = match.index + 1
  }
  const words = [...timesInWords(plain), ...equimolar(plain)].filter(
    (each) => !found.some((other) => each.from < other.to && other.from < each.to),
  )
  const all = [...found, ...words, ...acidities(plain)].sort((a, b) => a.from - b.from || b.to - a.to)
  const alone = all.filter((each, index) => !isRate(plain, each) && !all.slice(0, index).some((other) => other.to > each.from))
  return joined(plain, alone).map((each) => counted(plain, each))
}

/** Minutes of a figure of time. */
export const minutesOf = (each: Figure): number => each.low * (each.unit === 'h' ? 60 : each.unit === 's' ? 1 / 60 : 1)
