/** A piece of the text that was pasted, by its first character and the one after its last. */
export interface Span {
  from: number
  to: number
}

export const within = (inner: Span, outer: Span): boolean => inner.from >= outer.from && inner.to <= outer.to
export const overlap = (a: Span, b: Span): boolean => a.from < b.to && b.from < a.to

/** Other marks for the same sign, each one character for one, so that every place in the text stays where it was. */
const alike: Readonly<Record<string, string>> = {
  ...Object.fromEntries([...'\u00a0\u2002\u2003\u2007\u2009\u200a\u202f'].map((blank) => [blank, ' '])),
  ...Object.fromEntries([...'–—−‑‐⁻'].map((dash) => [dash, '-'])),
  ...Object.fromEntries([...'₀₁₂₃₄₅₆₇₈₉'].map((digit, value) => [digit, String(value)])),
  ...Object.fromEntries([...'⁰¹²³⁴⁵⁶⁷⁸⁹'].map((digit, value) => [digit, String(value)])),
  '×': 'x',
  '✕': 'x',
  '’': "'",
  '‘': "'",
  μ: 'µ',
  º: '°',
  '˚': '°',
  '℃': '°',
}

/** The text in plain signs, as long as it was. */
export const plainSigns = (text: string): string => [...text.split('')].map((sign) => alike[sign] ?? sign).join('')

/** Lines shorter than this end by themselves; longer ones may have been broken by the width of a page. */
const fullLine = 45
const item = /^\s*(?:\(?\d{1,2}[.)]\s|\d{1,2}\s+[A-Z][a-z]|[-•*]\s|\(?[a-h]\)\s|[Ss]tep\s+\d+|STEP\s+\d+)/

/** The text with the breaks of wrapped lines as blanks, as long as it was: those between two lines of running text, and none beside a row of a table or before an item of a list. */
export function unwrapped(plain: string): string {
  const lines = plain.split('\n')
  return lines
    .map((line, index) => {
      const next = lines[index + 1]
      if (next === undefined) return line
      // A line that ends in the middle of a sentence goes on in the next, however long it is.
      const open = line.length >= 25 && !/[.:;!?]\s*$/.test(line) && /^\s*[a-z0-9(µ°]/.test(next)
      const isRow = (text: string) => /[\t|]| {3,}/.test(text.trim())
      const runs = (line.length >= fullLine || open) && next.trim() !== '' && !item.test(next) && !isRow(line) && !isRow(next)
      return `${line}${runs ? ' ' : '\n'}`
    })
    .join('')
}
