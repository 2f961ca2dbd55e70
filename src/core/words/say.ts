/** How a person wants words and units written. Only what is shown changes: what is kept and exchanged stays as it is. */
export interface Words {
  volume: 'mL' | 'cm³'
  names: 'usual' | 'systematic'
  sulfur: 'sulfur' | 'sulphur'
}

/** As everything is written down. */
export const plainWords: Words = { volume: 'mL', names: 'usual', sulfur: 'sulfur' }

/** A name at the head of a sentence: its first small letter becomes large, as in 3-Methylbutyl. */
const capital = (text: string) => text.replace(/\p{Ll}/u, (letter) => letter.toUpperCase())
const literal = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/**
 * A translator of shown text into a person's words. 1 mL is 1 cm³ and 1 L is 1 dm³ exactly (SI since 1964); `names` pairs a usual name with
 * the systematic one. A name inside a longer one is left: “benzoin” is not changed in “dibenzoinate”, nor “toluene” in “4-nitrotoluene”.
 */
export function sayer(words: Words, names: readonly (readonly [usual: string, systematic: string])[]): (text: string) => string {
  const systematic = new Map(names)
  // The longest first, so that “sodium acetate trihydrate” is not taken for “sodium acetate”.
  const sorted = [...systematic.keys()].sort((a, b) => b.length - a.length)
  const pattern =
    words.names === 'systematic' && sorted.length > 0
      ? new RegExp(`(?<![\\p{L}\\d-])(${sorted.map(literal).join('|')})(?![\\p{L}\\d-])`, 'giu')
      : null
  const named = (found: string) => {
    const plain = systematic.get(found) ?? systematic.get(found.charAt(0).toLowerCase() + found.slice(1))
    if (plain === undefined) return found
    return /^\p{Lu}/u.test(found) && !/^\p{Lu}/u.test(plain) ? capital(plain) : plain
  }
  return (text) => {
    let said = pattern ? text.replace(pattern, named) : text
    if (words.volume === 'cm³')
      said = said
        .replace(/(?<![\p{L}])µL(?![\p{L}])/gu, 'mm³')
        .replace(/(?<![\p{L}])mL(?![\p{L}])/gu, 'cm³')
        .replace(/(?<=\d\s?|\/)L(?![\p{L}])/gu, 'dm³')
    if (words.sulfur === 'sulphur') said = said.replace(/(s|S)ulf(?=[a-z])/g, '$1ulph')
    return said
  }
}
