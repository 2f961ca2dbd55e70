import { expose } from 'comlink'
import { nameTable } from '@/core/reading/handout/names'
import type { Proposal } from '@/core/reading/handout/proposal'
import type { Substance } from '@/core/substance/substance'
import { lexiconWith } from '@/reference/shorthand'
import { proposalOf } from './proposalOf'
import { NoTextError, textOfFile } from './textOfFile'

let lexicon = lexiconWith()
let table = nameTable(lexicon)

/** Reads procedures off the page; what is read leaves this machine only when it is taken. */
const reading = {
  /** Substances of the course besides those that ship. */
  know: (own: Substance[]): void => {
    lexicon = lexiconWith(own)
    table = nameTable(lexicon)
  },
  propose: (text: string, making?: Substance | null): Promise<Proposal | { problem: string }> =>
    proposalOf(text, lexicon, table, making),
  /** The text of a file, or why it has none. */
  file: async (
    name: string,
    bytes: Uint8Array,
    progress: (share: number) => void,
  ): Promise<{ text: string } | { problem: string }> => {
    try {
      return { text: await textOfFile(name, bytes, progress) }
    } catch (error) {
      if (error instanceof NoTextError) return { problem: error.message }
      throw error
    }
  },
}

export type ReadingWorker = typeof reading

expose(reading)
