import type { Span } from './span'

/** A sentence, or a line that stands by itself: a heading, a numbered item without a full stop, a row of a table. */
export interface Sentence extends Span {
  /** Number of the paragraph it stands in, from 0. */
  paragraph: number
}

/** Short forms whose full stop ends no sentence. */
const short =
  /(?:^|[\s(])(?:ca|c|conc|dil|sat|satd|approx|aq|anhyd|abs|vol|wt|min|mins|hr|hrs|h|sec|temp|fig|no|nos|e\.g|i\.e|cf|lit|b\.p|m\.p|bp|mp|b|m|etc|vs|eq|equiv|dist|cryst|soln|r\.t|deg|st|dr|resp|incl|max|Na|ppt|w|v|quant|r\.b|p\.a|g|pet|pt|m\.pt|b\.pt|theor)$/i

/** The places where a sentence ends within a line. */
function endsIn(line: string): number[] {
  return [...line.matchAll(/[.!?](?:["')\]]+)?(?=\s|$)/g)].flatMap((match) => {
    const at = match.index + match[0].length
    const before = line.slice(0, match.index)
    const next = line.slice(at).trimStart()
    if (next !== '' && match[0] === '.' && (short.test(before) || /^\s*\(?\w{1,2}$/.test(before)) && !endsByUnit(before, next))
      return []
    if (next !== '' && /^[a-z]/.test(next)) return []
    return [at]
  })
}

/** `for 15 min. Pour`: a unit before the stop, and a capital behind it, end a sentence. */
const endsByUnit = (before: string, next: string) =>
  /(?:\d\s?|°\s?)(?:C|min|mins|hr|hrs|h|sec|g|wt|vol|deg)$/i.test(before) && /^[A-Z]/.test(next)

/** The sentences of a text; lines that are wrapped in the middle of one are one. */
export function sentencesIn(plain: string): Sentence[] {
  const found: Sentence[] = []
  let paragraph = 0
  const blocks = [
    ...plain.matchAll(
      /(?:[^\n]|\n(?![ \t]*\n|[ \t]*(?:\(?\d{1,2}[.)]|\d{1,2}(?=\s+[A-Z][a-z])|[-•*]|\(?[a-h]\)|step\s+\d+)\s))+/gi,
    ),
  ]
  for (const block of blocks) {
    const text = block[0]
    if (text.trim() === '') continue
    // A line ends a sentence unless the next goes on with it: long lines that are wrapped.
    let from = 0
    const cut = (to: number) => {
      const piece = text.slice(from, to)
      const lead = piece.length - piece.trimStart().length
      if (piece.trim() !== '')
        found.push({ from: block.index + from + lead, to: block.index + from + piece.trimEnd().length, paragraph })
      from = to
    }
    let lineFrom = 0
    for (const line of text.split('\n')) {
      for (const end of endsIn(line)) cut(lineFrom + end)
      const lineTo = lineFrom + line.length
      const next = text.slice(lineTo + 1).split('\n')[0] ?? ''
      if (/[\t|]/.test(line) || (line.length < 60 && /^[A-Z0-9]/.test(next.trim())) || /:\s*$/.test(line)) cut(lineTo)
      lineFrom = lineTo + 1
    }
    cut(text.length)
    paragraph++
  }
  return found
}

/** What numbers an item: `1.`, `(a)`, `Step 3:`; its length. */
export const numbering = (text: string): number =>
  /^\s*(?:\(?\d{1,2}[.)]\s|\d{1,2}\s+(?=[A-Z][a-z])|\(?[a-z]\)\s|[-•*]\s|step\s+\d+\s*[:.)-]?\s)\s*/i.exec(text)?.[0].length ?? 0
