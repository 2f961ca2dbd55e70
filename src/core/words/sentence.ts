/** Words that stand as a sentence: with a full stop, unless they end with a stop of their own. */
export const sentence = (text: string): string => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`)
