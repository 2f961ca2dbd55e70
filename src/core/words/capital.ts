/** The text with its first letter as a capital. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** The text as it goes on within a sentence: its first letter small, unless it begins an abbreviation (`TLC of the crude`) or a sign (`N`). */
export const uncapital = (text: string): string =>
  /^\p{Lu}[\p{Ll}\s]/u.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text
