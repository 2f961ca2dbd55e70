/** A fault of the reader itself, and what helps all the same. */
export const readerFault = (error: unknown): string =>
  `The reader failed at this text (${error instanceof Error ? error.message : String(error)}). Nothing of it is lost: read it in parts, the title with one paragraph at a time, or begin a preparation of your own on the Desk and copy the text into its steps.`
