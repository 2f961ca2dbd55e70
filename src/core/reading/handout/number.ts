const ones =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
const tens = 'twenty thirty forty fifty sixty seventy eighty ninety'
const words = new Map<string, number>([
  ...ones.split(' ').map((word, value) => [word, value] as const),
  ...tens.split(' ').map((word, value) => [word, 10 * (value + 2)] as const),
])
const wordPattern = [...words.keys()].slice(1).join('|')

/** Numbers in words, as a pattern: from one to ninety-nine. */
export const numberWord = `(?:(?:an?|one|two|three|four|five) hundred|(?:${tens.split(' ').join('|')})-(?:${ones.split(' ').slice(1, 10).join('|')})|${wordPattern})`

/** Numbers in digits, as a pattern: with a decimal point, comma or raised point, as a fraction, or with one of its own signs. */
export const numberDigits = String.raw`(?:\d+\s\d\/\d|\d+\/\d+|\d*[½¼¾]|\d+(?:[.,·]\d+)?|[.,]\d+)`

export interface ReadNumber {
  value: number
  /** Digits after the decimal point as they were written. */
  decimals: number
  /** A comma with three digits behind it: a decimal mark or one of thousands. */
  twoWays?: true
}

const quarters: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75 }

/** The number that a piece of such a pattern says. */
export function numberIn(text: string): ReadNumber {
  const plain = text.trim().toLowerCase()
  const [, hundreds] = /^(\w+) hundred$/.exec(plain) ?? []
  if (hundreds !== undefined) return { value: 100 * (words.get(hundreds) ?? 1), decimals: 0 }
  const word = plain.split('-').reduce<number | undefined>((sum, part) => {
    const value = words.get(part)
    return sum === undefined || value === undefined ? undefined : sum + value
  }, 0)
  if (word !== undefined && plain !== '') return { value: word, decimals: 0 }
  const sign = quarters[plain.at(-1)!]
  if (sign !== undefined) return { value: Number(plain.slice(0, -1) || 0) + sign, decimals: 2 }
  const [, whole = '0', above, below] = /^(?:(\d+)\s)?(\d+)\/(\d+)$/.exec(plain) ?? []
  if (above !== undefined && Number(below) > 0) return { value: Number(whole) + Number(above) / Number(below), decimals: 2 }
  const [head = '', part = ''] = plain.split(/[.,·]/)
  return {
    value: Number(`${head || '0'}.${part || '0'}`),
    decimals: part.length,
    ...(plain.includes(',') && part.length === 3 && head !== '0' && head !== '' ? { twoWays: true as const } : {}),
  }
}
