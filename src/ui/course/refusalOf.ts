import { CallError } from '../call'

/** What went wrong, and which field it is about where the server says so. */
export interface Refused {
  words: string
  field?: string
}

export function refusalOf(error: unknown): Refused {
  const field = error instanceof CallError ? error.details.field : undefined
  return { words: (error as Error).message, ...(typeof field === 'string' && field !== '' ? { field } : {}) }
}
