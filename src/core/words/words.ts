declare const brand: unique symbol

/**
 * What a person wrote to be read by persons: a title, what to do, how one knows that it is over, a caution. At rest it is a string; here it has none of a string's
 * methods, so that nothing but the printers and the readers of pasted or older text can look into it. Words never decide anything.
 */
export interface Words {
  readonly [brand]: 'words'
}

/** Words as they are printed, for people. */
export const printed = (words: Words): string => words as unknown as string

/** Words with what is printed around them; empty where nothing was written. */
export const printedIn = (words: Words | undefined, around: (text: string) => string): string =>
  words && printed(words) ? around(printed(words)) : ''

/** What a person typed, as words. */
export const asWords = (text: string): Words => text as unknown as Words
