/** A procedure with its introduction has some 15 pages at the most; what is longer is another text, or several. */
export const mostCharacters = 40_000

/** What is said of a text that is too long to be one procedure; undefined where it is not. @param name of the file it came from */
export const tooLong = (text: string, name = 'This text'): string | undefined =>
  text.length <= mostCharacters
    ? undefined
    : `${name} has ${text.length.toLocaleString('en-US')} characters; at most ${mostCharacters.toLocaleString('en-US')} are read, some 15 pages. Take the pages of the procedure out of it.`

/** What is said where reading was ended because it took too long or too much memory. */
export const readTooLong =
  'Reading this took too long, and was ended. Take the pages of the procedure out of it, or read it in parts: the title with one paragraph at a time.'
