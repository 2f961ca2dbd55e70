/** A process of its own that reads a procedure, started by `read.ts`. */
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { handoutJson } from '@/core/format/handoutJson'
import { lexiconWith } from '@/reference/shorthand'
import { answerTasks } from '@/server/apart/answerTasks'
import { proposalOf } from '@/workers/proposalOf'
import { readerFault } from '@/workers/readerFault'
import { NoTextError, textOfFile } from '@/workers/textOfFile'

const lexicon = lexiconWith()

const tasks = {
  /** @returns what the file says, or why nothing */
  async read(file: string): Promise<{ document: object } | { problem: string }> {
    let bytes: Uint8Array
    try {
      bytes = readFileSync(file)
    } catch {
      return { problem: `${file}: cannot be opened.` }
    }
    try {
      const proposal = await proposalOf(await textOfFile(path.basename(file), bytes), lexicon)
      if ('problem' in proposal) return { problem: `${file}: ${proposal.problem}` }
      return { document: handoutJson(proposal) }
    } catch (error) {
      return { problem: error instanceof NoTextError ? error.message : `${file}: ${readerFault(error)}` }
    }
  },
}

export type Tasks = typeof tasks

answerTasks(tasks, readerFault)
