import { ValidationError } from 'yup'
import type { Entry } from '../run/entry'
import { entrySchema } from '../run/entrySchema'
import { problemInJson } from './jsonValue'

/** A file of entries that cannot be used; the message says which entry and why. */
export class EntriesFileError extends Error {
  override name = 'EntriesFileError'
}

/**
 * Reads a run's entries: a JSON array, or an object `{ "scale": 0.8, "entries": [...] }`.
 * @throws EntriesFileError
 */
export function readEntriesFile(text: string): { scale: number; entries: Entry[] } {
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch (error) {
    throw new EntriesFileError(`This is not JSON: ${(error as Error).message}.`)
  }
  const problem = problemInJson(document)
  if (problem) throw new EntriesFileError(problem)
  const { scale = 1, entries } = Array.isArray(document)
    ? { entries: document }
    : ((document ?? {}) as { scale?: unknown; entries?: unknown })
  if (!Array.isArray(entries)) throw new EntriesFileError('Expected an array of entries, or an object with "entries".')
  if (typeof scale !== 'number' || !(scale >= 0.01 && scale <= 100))
    throw new EntriesFileError('"scale" is a number from 0.01 to 100.')
  return {
    scale,
    entries: entries.map((entry, index) => {
      try {
        return entrySchema(entry)
      } catch (error) {
        if (!(error instanceof ValidationError)) throw error
        throw new EntriesFileError(`/entries/${index}: ${error.message}`)
      }
    }),
  }
}

/** A run's entries as readEntriesFile takes them: without their numbers in a book and the moments at which a server received them. */
export function writeEntriesFile(scale: number, entries: readonly (Entry & { seq?: number; received?: unknown })[]): string {
  const plain = entries.map(({ seq: _seq, received: _received, ...entry }) => entry)
  return `${JSON.stringify({ scale, entries: plain }, null, 2)}\n`
}
