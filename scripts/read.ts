import path from 'node:path'
import { Apart, ApartError } from '@/server/apart/apart'
import { readTooLong } from '@/workers/tooLong'
import { home } from './home'
import { filesOf, outcomeOfFiles } from './manyFiles'
import { refuse, type Outcome } from './outcome'
import type { Tasks } from './readProcess'

/** A procedure is read in a fraction of this; on a busy machine the readers of PDF and of structures take some seconds to load. */
const longestMs = 15_000
const memoryMB = 512

/**
 * `mozle read FILE ...`: what a procedure says, as JSON; of several files a list. Exit code 2 with the reason on what is no text; the others are read all the same. They are read in a process of its own, so that no
 * file takes more than some seconds, or all the memory.
 */
export async function read(args: readonly string[]): Promise<Outcome> {
  const asked = filesOf(args)
  if (!asked) return refuse('usage: ./mozle read FILE ...')
  process.env.MOZLE_HOME ??= home
  const reader = new Apart<Tasks>(
    { script: 'scripts/readProcess.ts', longestMs, memoryMB },
    { spent: readTooLong, unable: 'The reader could not be started.' },
  )
  // Its process keeps nobody waiting: this one waits for it.
  const awake = setInterval(() => undefined, 1000)
  try {
    return outcomeOfFiles(await Promise.all(asked.map(async ({ file }) => ({ file, ...(await documentOf(reader, file)) }))))
  } finally {
    clearInterval(awake)
    reader.rest()
  }
}

async function documentOf(reader: Apart<Tasks>, file: string): Promise<{ document: object } | { problem: string }> {
  try {
    return await reader.ask('read', path.resolve(file))
  } catch (error) {
    if (error instanceof ApartError) return { problem: `${file}: ${error.message}` }
    throw error
  }
}
