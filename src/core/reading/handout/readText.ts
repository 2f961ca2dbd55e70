import { clausesOf } from './clauses'
import { figuresIn, type Figure } from './figures'
import { namedAgain, namesIn, nameTable, type Lexicon, type Named } from './names'
import { portionsIn, type Portion } from './portions'
import { sayingsIn, type Saying } from './sayings'
import { sentencesIn, type Sentence } from './sentences'
import { overlap, plainSigns, unwrapped, within, type Span } from './span'
import type { ReadStep } from './step'
import type { Seen } from './seen'
import { stepsOf } from './steps'
import { tablesIn } from './table'
import { textSchemes, type TextScheme } from './textScheme'
import { vesselsIn } from './vessels'
import { warns, warnsFirst } from './words'

/** A text as it was read, before anything of it is a plan. */
export interface TextRead {
  /** As it was pasted; all places count in it. */
  text: string
  plain: string
  title?: Span
  /** Id of what is made; undefined where the text does not say it. */
  product?: string
  /** Amounts that stand in a table of reagents. */
  table: Portion[]
  steps: ReadStep[]
  sayings: Saying[]
  figures: Figure[]
  names: Named[]
  sentences: Sentence[]
  /** Equations that the text writes out. */
  schemes: TextScheme[]
  /** Headings and heads of tables: read, and nothing follows. */
  headings: Span[]
}

const heading =
  /^(?:reagents?|materials?|chemicals?|apparatus|equipment|procedure|steps|method|experimental|experiment|introduction|aim|hazards|safety|notes?|results?|work-?up|purification|reaction|table|part\b[^.:]{0,20}|day \d.*|quantities)\s*:?\.?$/i
const making =
  /\b(?:preparation|synthesis|oxidation|reduction|condensation|nitration|acetylation|esterification|hydrolysis|rearrangement|bromination|reaction|making|isolation|extraction)\b/i

/** The first line that says what it is about. */
function titleOf(plain: string, sentences: readonly Sentence[]): Span | undefined {
  const [first] = sentences
  if (!first) return undefined
  const text = plain.slice(first.from, first.to)
  return text.length < 120 && !/\t|\|/.test(text) ? first : undefined
}

/** What is made: what the title names and no step takes, or what the text gives at the end. */
function productOf(
  plain: string,
  title: Span | undefined,
  names: readonly Named[],
  taken: ReadonlySet<string>,
): string | undefined {
  const single = names.filter(({ of }) => of.length === 1)
  const titled = title ? single.filter((name) => within(name, title)) : []
  const free = titled.filter(({ of }) => !taken.has(of[0]!.id))
  const text = title ? plain.slice(title.from, title.to) : ''
  const named =
    free.find((name) => /\b(?:to|of|gives?)\s+(?:the\s+)?$/i.test(plain.slice(title!.from, name.from))) && /\bto\b/.test(text)
      ? free.at(-1)
      : free[0]
  if (named) return named.of[0]!.id
  const given = single.find(
    (name) =>
      !taken.has(name.of[0]!.id) &&
      /\b(?:gave|to give|giving|afford(?:s|ed|ing)?|yield(?:s|ed|ing)?(?: of)?|yields?:?|pure|crude)\s+(?:pure |crude |the )?$/i.test(
        plain.slice(Math.max(0, name.from - 30), name.from),
      ),
  )
  return given?.of[0]!.id
}

/** A sentence of its own about a danger. */
const isWarning =
  (plain: string) =>
  (sentence: Span): boolean =>
    warnsFirst.test(plain.slice(sentence.from, sentence.to).replace(/^\W+/, '')) ||
    (warns.test(plain.slice(sentence.from, sentence.to)) && !/\d/.test(plain.slice(sentence.from, sentence.to)))

/** Reads a procedure: what it takes, what is done, and what it says of the outcome. Nothing is decided that the text does not say. */
export function readText(text: string, lexicon: Lexicon, table = nameTable(lexicon)): TextRead {
  const plain = unwrapped(plainSigns(text))
  const figures = figuresIn(plain)
  const names = namesIn(plain, table)
  const { rows, places } = tablesIn(plain, names)
  const schemes = textSchemes(plain, names)
  const inTable = (span: Span) => [...places, ...schemes].some((place) => overlap(place, span))
  const sentences = sentencesIn(plain).filter((sentence) => !inTable(sentence))
  const first = titleOf(plain, sentences)
  const title = first && isDeed(plain, first) ? undefined : first
  const headings = sentences.filter((sentence) =>
    heading.test(plain.slice(sentence.from, sentence.to).replace(/[*#_]/g, '').trim()),
  )
  const body = sentences.filter((sentence) => !headings.includes(sentence))
  const sayings = body.flatMap((sentence) => sayingsIn(plain, sentence, figures, names))
  const free = figures.filter((figure) => !sayings.some((saying) => overlap(saying, figure)))
  const seenOf = (sentence: Sentence, names: readonly Named[]): Seen[] => {
    const here = free.filter((figure) => within(figure, sentence))
    const portions = portionsIn({ plain, figures: here, names: names.filter((name) => within(name, sentence)) })
    const vessels = vesselsIn(plain, here)
    return clausesOf(plain, sentence).map((clause) => ({
      ...clause,
      text: plain.slice(clause.from, clause.to),
      portions: portions.filter(({ from }) => from >= clause.from && from < clause.to),
      figures: here.filter((each) => within(each, clause)),
      vessels: vessels.filter((each) => each.from >= clause.from && each.from < clause.to),
    }))
  }
  // A heading names what is made and is no deed, unless the text goes on in the same line.
  const spoken = body.filter((sentence) => sentence !== title)
  const all = spoken.map((sentence) => ({ sentence, seen: seenOf(sentence, names) }))
  // Amounts in a row without a deed are a list of what is needed.
  const listed = all.filter(({ sentence, seen }) => {
    const measured = seen.flatMap(({ portions }) => portions).filter(({ measure }) => measure)
    const alone = sentence.to - sentence.from < 60 && plain[sentence.to - 1] !== '.' && measured.length === 1
    return seen.every(({ verb }) => !verb) && (measured.length > 1 || alone)
  })
  const inLists = listed.flatMap((each) => each.seen.flatMap(({ portions }) => portions.filter(({ measure }) => measure)))
  const again = namedAgain(
    plain,
    [...rows.map(({ portion }) => portion), ...inLists].filter(({ of }) => of.length === 0),
    names,
  )
  const known = [...names, ...again].sort((a, b) => a.from - b.from)
  const seen = all
    .filter((each) => !listed.includes(each))
    .flatMap((each) => (again.some((name) => within(name, each.sentence)) ? seenOf(each.sentence, known) : each.seen))
  const taken = new Set(
    [...seen.flatMap(({ portions }) => portions), ...rows.map(({ portion }) => portion)].flatMap(({ measure, of }) =>
      measure && of[0] ? [of[0].id] : [],
    ),
  )
  const product = productOf(plain, title, names, taken)
  // A sentence that only says how much was got is no deed.
  const outcomes = (each: Seen) => sayings.some((saying) => within(saying, each)) && each.verb === undefined
  return {
    text,
    plain,
    ...(title ? { title } : {}),
    ...(product ? { product } : {}),
    table: [...rows.map(({ portion }) => portion), ...inLists],
    steps: stepsOf(
      seen.filter((each) => !outcomes(each)),
      isWarning(plain),
    ),
    sayings,
    figures,
    names,
    sentences,
    schemes,
    headings: [...schemes, ...headings, ...places, ...listed.map(({ sentence }) => sentence)],
  }
}

const isDeed = (plain: string, sentence: Span) => {
  const text = plain.slice(sentence.from, sentence.to)
  return /[.;]$/.test(text) && !making.test(text) && (text.split(' ').length > 6 || /\d/.test(text))
}
