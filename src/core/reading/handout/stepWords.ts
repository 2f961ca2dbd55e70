import type { ProposedStep } from './proposal'
import type { ReadField } from './step'
import type { TextRead } from './readText'
import type { Span } from './span'

interface Swap extends Span {
  by: string
}

/** A figure of the text as the name of its blank, so that the sentence follows the field; words before the digits stay. */
function fieldSwaps(plain: string, fields: readonly ReadField[], namable: ReadonlySet<string>): Swap[] {
  const places = [
    ...new Map(
      fields.filter(({ inWords, value }) => !inWords && typeof value === 'number').map((field) => [field.from, field]),
    ).values(),
  ]
  return places.flatMap((place): Swap[] => {
    const here = fields.filter(({ from, inWords }) => from === place.from && !inWords)
    const keys = here.map(({ key }) => key.replace('@', '')).filter((key) => namable.has(key))
    if (keys.length === 0) return []
    const same = new Set(here.map(({ value }) => value)).size === 1
    const said = plain.slice(place.from, place.to)
    const lead = /\d/.test(said) ? (/^[^\d]*/.exec(said)?.[0] ?? '') : ''
    return [
      {
        from: place.from + lead.replace(/-$/, '').length,
        to: place.to,
        by: (same ? keys.slice(0, 1) : keys)
          .map((key) => `{@${key}}`)
          .join(/between\s$/i.test(plain.slice(0, place.from + lead.length)) ? ' and ' : ' to '),
      },
    ]
  })
}

export interface Tokens {
  /** Lines by id that stand as amounts here, each with the part that goes in. */
  amounts: ReadonlyMap<string, number>
  /** Names of lines that are only named here. */
  names: ReadonlyMap<string, string>
  /** Places of what other steps of the same words take. */
  others: readonly { id: string; at: Span }[]
  /** Blanks of the step that words may name. */
  namable: ReadonlySet<string>
}

/** A line as words name it: all of it, or so much. */
export const token = (id: string, part: number) => (part === 1 ? `{${id}}` : `{${id} ${Number((100 * part).toPrecision(4))} %}`)

/** The words of a step: those of the text, with every amount and figure that is a field as the name of that field. */
export function stepWords(read: TextRead, step: ProposedStep, { amounts, names, others, namable }: Tokens): string {
  const { plain } = read
  const state = (at: Span) =>
    /\b(ice-cold|cold|hot|boiling|warm|crushed|ice)\b/i.exec(plain.slice(at.from, at.to))?.[1]?.toLowerCase()
  const portions = step.fields.find(({ key, inWords }) => (key === 'portions' || key === 'times') && !inWords)
  const lines = [...step.lines, ...others].map(({ id, at }): Swap => {
    const part = amounts.get(id)
    const temper = state(at)
    if (part === undefined) return { ...at, by: names.get(id) ?? plain.slice(at.from, at.to) }
    const more = [
      ...(portions && portions.from >= at.from && portions.to <= at.to && namable.has(portions.key)
        ? [`in {@${portions.key}} portions`]
        : []),
      ...(temper ? [temper] : []),
    ]
    return { ...at, by: `${token(id, part)}${more.length > 0 ? ` (${more.join(', ')})` : ''}` }
  })
  const figures = fieldSwaps(plain, step.fields, namable).filter(
    (swap) => !lines.some((line) => swap.from < line.to && line.from < swap.to),
  )
  const until = step.read.until
  const swaps = [...lines, ...figures, ...(until ? [{ ...until, by: '' }] : [])]
    .filter(({ from, to }) => from >= step.read.from && to <= step.read.to)
    .sort((a, b) => a.from - b.from)
    .filter((swap, index, all) => index === 0 || swap.from >= all[index - 1]!.to)
  let at = step.read.from
  let text = ''
  for (const swap of swaps) {
    // `the 5.4 mL`: an amount takes no article.
    const between = read.text.slice(at, swap.from)
    text += (/^\{[^@]/.test(swap.by) ? between.replace(/\bthe\s+$/i, '') : between) + swap.by
    at = swap.to
  }
  return tidy(text + read.text.slice(at, step.read.to))
}

/** A sentence again: without what joined it to the next, with a capital and a stop. */
export function tidy(text: string): string {
  const plain = text
    .replace(/^\s*(?:\(?\d{1,2}[.)]\s|\(?[a-z]\)\s|step\s+\d+\s*[:.)-]?\s|[-•*]\s)/i, '')
    .replace(/\n\s*(?:\(?\d{1,2}[.)]|[-•*]|\(?[a-h]\)|step\s+\d+\s*[:.)-]?)\s+/gi, ' ')
    .replace(/\s+/g, ' ')
    .replace(/\s+([,.;:)])/g, '$1')
    .replace(/,\./g, '.')
    .trim()
    .replace(/^(?:and|then|,|;)\s+(?:then\s+)?/i, '')
    .replace(/(?:[\s,;:]+(?:and|then|and then|after which(?: it (?:is|was))?|followed by))*[\s,;:]*$/i, '')
  if (plain === '') return ''
  const cased = /^\{/.test(plain) ? plain : plain.charAt(0).toUpperCase() + plain.slice(1)
  return /[.!?]$/.test(cased) ? cased : `${cased}.`
}
