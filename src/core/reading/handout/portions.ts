import type { Substance } from '../../substance/substance'
import type { Figure, FigureKind } from './figures'
import type { Named } from './names'
import { overlap, within, type Span } from './span'

/** A substance where the text takes it, with every figure that stands by it. */
export interface Portion extends Span {
  /** The records that its name may mean; none where it is not known. */
  of: readonly Substance[]
  /** Its name as it is written. */
  written: string
  /** Named in a table or list of the text, and known by that alone. */
  listed?: true
  /** What is measured out; absent where the text only names it. */
  measure?: Figure
  /** Other figures of the same amount: moles, equivalents, a second measure. */
  besides: readonly Figure[]
  strength?: Figure
  strong?: 'concentrated' | 'dilute' | 'saturated'
  /** Words that stand with it and matter to the stores: cold, hot, dry. */
  state?: string
}

const adjectives = [
  'of|a|an|the|some|more|anhyd|cold|hot|warm|boiling|hot,|ice-cold|ice cold|ice-cooled|iced|chilled|glacial|concentrated|conc|dilute|dil|anhydrous|dry|absolute|abs|crude',
  'saturated|satd|sat|aqueous|aq|crushed|fresh|freshly|distilled|deionised|ground|powdered|granulated|pure|solution|solutions|fuming|about|each|portions|portion|finely|clean',
  'commercial|technical|rectified|decolourising|decolorizing|activated|small|another|further|extra|lukewarm|strong|mixture|their|your|its|neat|in|one|lots|aliquots|parts|equal',
].join('|')
const filler = new RegExp(`^(?:\\s|[-,.()=~]|\\b(?:${adjectives})\\b)*$`, 'i')
const tail = '(?:\\s(?:aqueous|solution|reagent|turnings|dust|powder|pellets|chips|granules|crystals|flakes|ribbon|anhydrous))*'
const bracketBehind = new RegExp(`^${tail}\\s?\\(([^()]*(?:\\([^()]*\\)[^()]*)*)\\)`, 'i')

/** What can say how much of something is taken; moles and ratios where nothing is weighed or measured. */
export const measures: readonly FigureKind[] = ['mass', 'volume', 'per gram', 'drops', 'amount', 'equivalents', 'mol percent']
const sidewise: readonly FigureKind[] = [
  ...([
    'mass',
    'volume',
    'amount',
    'equivalents',
    'mol percent',
    'drops',
    'strength',
    'percent',
    'density',
    'per gram',
    'molar mass',
  ] as const),
]

const vesselWords =
  /^[\s-]*(?:(?:round|bottom|bottomed|round-bottom|round-bottomed|conical|pear-shaped|pear|shaped|(?:one|two|three|single|[123])-neck(?:ed)?|necked|erlenmeyer|dropping|separating|separatory|addition|volumetric|measuring|graduated|filter|suction|tared|dry|clean|small|large|glass|reaction|test|boiling|screw-cap|distilling|distillation|rb|r\.b\.|pressure-equalising)[\s-]+)*(?:flasks?|beakers?|funnels?|vials?|tubes?|cylinders?|pipettes?|syringes?|burettes?|erlenmeyers?|bottles?|crucibles?|dish(?:es)?|RBF|rbf)\b/i

/** True for a volume that is that of a vessel. */
export const isOfVessel = (plain: string, figure: Figure): boolean =>
  figure.kind === 'volume' &&
  (vesselWords.test(plain.slice(figure.to, figure.to + 70)) ||
    /\b(?:flask|funnel|beaker|vial)\s*\($/i.test(plain.slice(0, figure.from)))

const states = /\b(ice-cold|ice cold|iced|cold|hot|boiling|warm|crushed|dry|anhydrous|freshly distilled|glacial)\b/i

interface Scene {
  plain: string
  /** Figures and names of one sentence; figures that belong to something else are left out before. */
  figures: readonly Figure[]
  names: readonly Named[]
}

const withoutFigures = (plain: string, span: Span, figures: readonly Figure[]) =>
  figures
    .filter((each) => within(each, span))
    .reduceRight(
      (text, each) => text.slice(0, each.from - span.from) + text.slice(each.to - span.from),
      plain.slice(span.from, span.to),
    )

/** Figures before a name with nothing but small words between. */
function before({ plain, figures }: Scene, name: Named, after: number): Figure[] {
  const possible = figures.filter((each) => each.from >= after && each.to <= name.from && sidewise.includes(each.kind))
  for (let index = 0; index < possible.length; index++) {
    const span = { from: possible[index]!.to, to: name.from }
    const gap = withoutFigures(plain, span, figures)
    if (filler.test(gap) && gap.split('(').length === gap.split(')').length && !isOfVessel(plain, possible[index]!))
      return possible.slice(index)
  }
  return []
}

function behind({ plain, figures, names }: Scene, name: Named): { figures: Figure[]; to: number } {
  const rest = plain.slice(name.to, name.to + 160)
  const [whole] = bracketBehind.exec(rest) ?? []
  if (whole) {
    const span = { from: name.to, to: name.to + whole.length }
    const inside = figures.filter((each) => within(each, span) && sidewise.includes(each.kind))
    if (inside.length > 0) return { figures: inside, to: span.to }
  }
  // `hydrochloric acid, 2 M` and `aniline: 4.0 mL` with nothing else about it.
  const next = figures.find(
    (each) => each.from >= name.to && new RegExp(`^${tail}(?:\\s?[,:]\\s?|\\s)$`, 'i').test(plain.slice(name.to, each.from)),
  )
  if (next && (next.kind === 'strength' || isAlone(plain, next))) return { figures: [next], to: next.to }
  return late(plain, name, figures, names)
}

/** `water drop by drop until it clouds (about 10 mL)`: a bracket at the end, with one measure and nothing else named on the way. */
function late(
  plain: string,
  name: Named,
  figures: readonly Figure[],
  names: readonly Named[],
): { figures: Figure[]; to: number } {
  const none = { figures: [], to: name.to }
  const rest = /^[^().;]*\(([^()]*)\)/.exec(plain.slice(name.to, name.to + 120))
  if (!rest || /in all|total|altogether/i.test(rest[1]!)) return none
  const bracket = { from: name.to + rest[0].length - rest[1]!.length - 1, to: name.to + rest[0].length - 1 }
  if (names.some((other) => other.from >= name.to && other.to <= bracket.to)) return none
  const inside = figures.filter((each) => within(each, bracket))
  const [only] = inside
  return only && inside.length === 1 && (only.kind === 'volume' || only.kind === 'mass') && isWholly(plain, bracket, only)
    ? { figures: [only], to: name.to }
    : none
}

const isWholly = (plain: string, bracket: Span, only: Figure) =>
  /^[\s~]*(?:ca\.?|about|approx\.?)?\s*$/i.test(plain.slice(bracket.from, only.from)) &&
  plain.slice(only.to, bracket.to).trim() === ''

/** Nothing that could be a substance of its own stands behind it. */
const isAlone = (plain: string, figure: Figure) =>
  /^\s*(?:$|[\n;,.()]|and\b)/.test(plain.slice(figure.to, figure.to + 8)) && measures.includes(figure.kind)

function portionOf(scene: Scene, name: Named, after: number): Portion {
  const { plain } = scene
  const lead = before(scene, name, after)
  const follow = behind(scene, name)
  const all = [...lead, ...follow.figures]
  const isStrength = (each: Figure) => each.kind === 'strength' || each.kind === 'percent'
  const ranked = [...all]
    .filter((each) => measures.includes(each.kind))
    .sort((a, b) => measures.indexOf(a.kind) - measures.indexOf(b.kind))
  // The first measure is what is measured out; moles only where nothing else is said.
  const measure = all.find((each) => each.kind === 'mass' || each.kind === 'volume' || each.kind === 'per gram') ?? ranked[0]
  const from = Math.min(name.from, ...lead.map((each) => each.from))
  const words = plain.slice(Math.min(from, Math.max(after, name.from - 40)), name.from)
  const own = plain.slice(lead[0]?.from ?? Math.max(after, name.from - 34), name.from)
  const strength = all.find(isStrength)
  const near = own.split(/[,;(]|\band\b/).at(-1)!
  return {
    from,
    to: follow.to,
    of: name.of,
    written: plain.slice(name.from, name.to),
    ...(name.listed ? { listed: true as const } : {}),
    besides: all.filter((each) => each !== measure && !isStrength(each)),
    ...(measure ? { measure } : {}),
    ...(strength ? { strength } : {}),
    ...strongOf(name, near, plain.slice(name.to, name.to + 16), strength),
    ...(states.exec(words) ? { state: states.exec(words)![1]!.toLowerCase() } : {}),
  }
}

function strongOf(name: Named, near: string, after: string, strength: Figure | undefined): Pick<Portion, 'strong'> {
  if (strength) return {}
  if (name.strength) return { strong: name.strength }
  if (/\bconc(?:entrated|\.)?\s*$|\bconc(?:entrated|\.)?\s/i.test(near) || /^[\s,]*conc/i.test(after))
    return { strong: 'concentrated' }
  if (/\bdil(?:ute|\.)?\s/i.test(near) || /^[\s,]*dil/i.test(after)) return { strong: 'dilute' }
  return /\bsat(?:urated|d|\.)?\s/i.test(near) || /^[\s,]*sat/i.test(after) ? { strong: 'saturated' } : {}
}

/** Words after an amount that name no substance. */
const noSubstance =
  /^(?:this|that|it|them|these|those|the\b|each|solution|filtrate|liquid|residue|crystals?|product|extracts?|layers?|distillate|oil|solids?|portions?|in all|is|are|was|were|more|at a time|scale|per|and|or|to|for|with|of (?:this|it|each)\b|remains?|until|till|in\b|into|mark|column|[\d.]+\s?:)\b/i
const nounPhrase =
  /^\s?(?:of\s)?(?:a\s|an\s|the\s)?((?:[\p{L}\d][\p{L}\d'()[\],-]*)(?:\s(?!into\b|in\b|to\b|and\b|with\b|over\b|at\b|for\b|from\b|is\b|are\b|was\b|were\b|by\b|on\b|onto\b|until\b|through\b|as\b|or\b|while\b|slowly\b|gives?\b)[\p{L}\d][\p{L}\d'()[\]-]*){0,3})/u

/** `Crude acid: 2.5 g` as a row of a list. */
function listedAt({ plain }: Scene, figure: Figure): Portion | undefined {
  const line = plain.slice(plain.lastIndexOf('\n', figure.from - 1) + 1, figure.from)
  const [, written] = /^\W*([\p{L}][\p{L}\d ,'()-]{2,40}?)\s*:\s*$/u.exec(line) ?? []
  if (written === undefined || /yield|theor|time|temp|mass of|weight of|\bmp\b|\bbp\b/i.test(written)) return undefined
  const from = figure.from - line.length + line.indexOf(written)
  return { from, to: figure.to, of: [], written, measure: figure, besides: [] }
}

const things =
  /\b(?:solutions?|layers?|phases?|extracts?|crystals?|needles|plates|solids?|products?|residues?|yields?|weights?|mass|flasks?|funnels?|beakers?|bath|temperature|filtrates?|distillates?|theory|about|min|hours?|portions?|times?)$/i

/** `Dried nutmeg (8.0 g)`: what stands before a bracket that begins with how much of it. */
function bracketedAt({ plain, names }: Scene, figure: Figure): Portion | undefined {
  if (
    figure.times !== undefined ||
    !/\($/.test(plain.slice(0, figure.from)) ||
    !/^\s*[,;)]/.test(plain.slice(figure.to, figure.to + 3))
  )
    return undefined
  const [, written] =
    /((?:[\p{L}\d-]+\s)?[\p{L}][\p{L}\d-]+)\s\($/u.exec(plain.slice(Math.max(0, figure.from - 50), figure.from)) ?? []
  if (written === undefined || things.test(written)) return undefined
  const named = written.replace(/^(?:an?|the|of|with|and|in|dried|crude|some)\s/i, '')
  const from = figure.from - 2 - named.length
  if (named.length < 4 || names.some((name) => overlap(name, { from, to: figure.from }))) return undefined
  return { from, to: figure.to + 1, of: [], written: named, measure: figure, besides: [] }
}

/** Amounts of what no record is called. */
function unknownAt({ plain, names }: Scene, figure: Figure): Portion | undefined {
  if (figure.kind !== 'mass' && figure.kind !== 'volume') return undefined
  const bracketed = bracketedAt({ plain, figures: [], names }, figure)
  if (bracketed) return bracketed
  // `1.8 g (5.3 mmol) of X`: what stands in brackets says the same in other words.
  const [lead = ''] = /^\s?\([^()]*\)/.exec(plain.slice(figure.to, figure.to + 60)) ?? []
  const rest = plain.slice(figure.to + lead.length, figure.to + lead.length + 90)
  const [whole, phrase] = nounPhrase.exec(rest.split(/[.;:(\n]/)[0]!) ?? []
  if (!whole || !phrase || noSubstance.test(rest.trimStart())) return listedAt({ plain, figures: [], names }, figure)
  if (/\d\s?:\s?\d/.test(rest.slice(0, whole.length + 3))) return undefined
  const trimmed = phrase.split(/,\s/)[0]!.replace(/[,)]+$/, '')
  const written = trimmed.replace(/^(?:crude|dry|cold|hot|fresh|finely|the|a)\s/i, '')
  const to = figure.to + lead.length + whole.indexOf(phrase) + trimmed.length
  const known = names.find((name) => overlap(name, { from: figure.to, to }))
  if (known || noSubstance.test(written) || written.length < 3) return undefined
  return { from: figure.from, to, of: [], written, measure: figure, besides: [] }
}

/** `1.00 g each of A, B and C`: what is said of the first holds for those that follow it. */
function shareOut({ plain }: Scene, portions: Portion[]): void {
  portions.forEach((portion, index) => {
    const { measure } = portion
    if (!measure || !/^\s*each\s+of\b/i.test(plain.slice(measure.to, measure.to + 12))) return
    for (let next = index + 1; next < portions.length; next++) {
      const gap = plain.slice(portions[next - 1]!.to, portions[next]!.from)
      if (portions[next]!.measure || !/^\s*(?:,|and|,\s*and)\s*$/i.test(gap)) return
      portions[next] = { ...portions[next]!, measure }
    }
  })
}

/** What a sentence takes of what: every substance that it names, and amounts of what is not known. */
export function portionsIn(scene: Scene): Portion[] {
  let after = 0
  const known = scene.names.map((name) => {
    const portion = portionOf(scene, name, after)
    after = portion.to
    return portion
  })
  shareOut(scene, known)
  const taken = (figure: Figure) =>
    known.some(({ measure, besides, strength }) => measure === figure || strength === figure || besides.includes(figure))
  const unknown = scene.figures
    .filter((each) => !taken(each) && !isOfVessel(scene.plain, each))
    .flatMap((each) => unknownAt(scene, each) ?? [])
  return [...known, ...unknown].sort((a, b) => a.from - b.from)
}
