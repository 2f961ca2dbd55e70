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
