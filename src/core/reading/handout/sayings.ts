import type { Figure } from './figures'
import type { Sentence } from './sentences'
import type { Named } from './names'
import { within, type Span } from './span'

/** What the text says of the outcome: literature values, what theory gives, what was got. */
export interface Saying extends Span {
  of: 'melting' | 'boiling' | 'theory' | 'yield mass' | 'yield percent'
  low: number
  high: number
  unit: string
  decimals: number
  /** Id of the substance that stands by it; the product where none does. */
  substance?: string
}

const melting = /(?:\bm\.?\s?pt?\.?(?![a-z])|melting[\s-](?:points?|ranges?)|\bmelts?\b)/gi
const boiling = /(?:\bb\.?\s?pt?\.?(?![a-z])|boiling[\s-](?:points?|ranges?)|\bboils\b)/gi
const literature = /\blit(?:erature)?\b/gi
const outcome = /\b(?:yields?|theor(?:y|etical)|recovery|gave|to give|giving|affords?|afforded)\b/i

const lastOf = (text: string, pattern: RegExp) => [...text.matchAll(pattern)].at(-1)?.index ?? -1

function literatureOf(plain: string, sentence: Sentence, figure: Figure, names: readonly Named[]): Saying | undefined {
  const before = plain.slice(sentence.from, figure.from)
  const places = { melting: lastOf(before, melting), boiling: lastOf(before, boiling), literature: lastOf(before, literature) }
  const nearest = Math.max(places.melting, places.boiling, places.literature)
  if (nearest < 0) return undefined
  // A heating rate or an oven stands between them.
  if (/\b(?:oven|bath|dry|dried|cool|heat|at a rate|per min|until)\b/i.test(before.slice(nearest + 14))) return undefined
  const of = places.boiling > places.melting ? 'boiling' : 'melting'
  // `the fraction that boils between`: what is collected, and no value of the literature.
  if (/\b(?:fraction|portion|distillate|collect\w*|material|liquid)\b[^.;]{0,30}\bboil(?:s|ing)\b[^.;]*$/i.test(before))
    return undefined
  const named = names
    .filter((name) => name.from >= sentence.from && name.to <= figure.from && !plain.slice(name.to, figure.from).includes(';'))
    .at(-1)
  return {
    of,
    from: figure.from,
    to: figure.to,
    low: figure.low,
    high: figure.high,
    unit: '°C',
    decimals: figure.decimals,
    ...(named?.of[0] ? { substance: named.of[0].id } : {}),
  }
}

function outcomeOf(plain: string, sentence: Sentence, figure: Figure): Saying | undefined {
  const before = plain.slice(sentence.from, figure.from)
  const [keyword] = [...before.matchAll(new RegExp(outcome, 'gi'))].slice(-1)
  const text = plain.slice(sentence.from, sentence.to)
  // The theory may be said in the words before, over other figures.
  if (!keyword) return undefined
  const theory = /theor/i.test(before) && !/\bof (?:the )?theor/i.test(before)
  const of = figure.kind === 'percent' ? 'yield percent' : theory ? 'theory' : 'yield mass'
  if (/\b(?:to give|giving|gives?|gave|afford)/i.test(keyword[0]) && !/^[^.;]*\(/.test(before.slice(keyword.index)))
    return undefined
  if (figure.kind === 'percent' && /^\s*(?:w\/v|ethanol|sodium|hydro)/i.test(text.slice(figure.to - sentence.from)))
    return undefined
  return {
    of,
    from: figure.from,
    to: figure.to,
    low: figure.low,
    high: figure.high,
    unit: figure.unit,
    decimals: figure.decimals,
  }
}

/** The sayings of a sentence. */
export const sayingsIn = (plain: string, sentence: Sentence, figures: readonly Figure[], names: readonly Named[]): Saying[] =>
  figures
    .filter((figure) => within(figure, sentence))
    .flatMap((figure): Saying[] => {
      const saying =
        figure.kind === 'temperature'
          ? literatureOf(plain, sentence, figure, names)
          : figure.kind === 'mass' || figure.kind === 'percent'
            ? outcomeOf(plain, sentence, figure)
            : undefined
      return saying ? [saying] : []
    })
