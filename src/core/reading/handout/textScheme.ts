import type { Substance } from '../../substance/substance'
import type { Named } from './names'
import { within, type Span } from './span'

/** An equation as the text writes it: `2 benzaldehyde → benzoin`. */
export interface TextScheme extends Span {
  left: readonly Term[]
  right: readonly Term[]
}

interface Term {
  substance: Substance
  coefficient: number
}

const arrow = /\s*(?:→|⟶|⇌|->|=>|-->)\s*/

/** One side: every term a substance on record, with or without a number before it; undefined where one is not. */
function sideOf(text: string, from: number, names: readonly Named[]): Term[] | undefined {
  const terms: (Term | undefined)[] = []
  let at = from
  for (const piece of text.split(/\s\+\s/)) {
    const start = at + (piece.length - piece.trimStart().length)
    const span = { from: start, to: at + piece.trimEnd().length }
    at += piece.length + 3
    const named = names.find((name) => within(name, span) && name.of.length === 1)
    const number = /^(\d+)\s/.exec(text.slice(span.from - from, span.to - from))
    const rest = named
      ? text
          .slice(span.from - from, named.from - from)
          .replace(/^\d+\s*/, '')
          .trim()
      : 'x'
    terms.push(named && rest === '' ? { substance: named.of[0]!, coefficient: Number(number?.[1] ?? 1) } : undefined)
  }
  return terms.every((term): term is Term => term !== undefined) ? terms : undefined
}

/** The equations of a text: lines with an arrow of which every term is known. */
export function textSchemes(plain: string, names: readonly Named[]): TextScheme[] {
  let from = 0
  return plain.split('\n').flatMap((line): TextScheme[] => {
    const start = from
    from += line.length + 1
    const mark = arrow.exec(line)
    if (!mark) return []
    const left = sideOf(line.slice(0, mark.index), start, names)
    const tail = line.slice(mark.index + mark[0].length).replace(/[.,;]\s*$/, '')
    const right = sideOf(tail, start + mark.index + mark[0].length, names)
    return left && right ? [{ from: start, to: start + line.length, left, right }] : []
  })
}
