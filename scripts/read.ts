import path from 'node:path'
import { Apart, ApartError } from '@/server/apart/apart'
import { readTooLong } from '@/workers/tooLong'
import type { Outcome } from './calc'
import { home } from './home'
import type { Tasks } from './readProcess'

const refuse = (words: string): Outcome => ({ code: 2, out: '', err: `${words}\n` })

/** A procedure is read in a fraction of this; on a busy machine the readers of PDF and of structures take some seconds to load. */
const longestMs = 15_000
const memoryMB = 512

/** `mozle read FILE`: what a procedure says, as JSON; exit code 2 with the reason on what is no text. It is read in a process of its own, so that no file takes more than some seconds, or all the memory. */
export async function read(args: readonly string[]): Promise<Outcome> {
  const [file] = args
  if (args.length !== 1 || file === undefined) return refuse('usage: ./mozle read FILE')
  process.env.MOZLE_HOME ??= home
  const reader = new Apart<Tasks>(
    { script: 'scripts/readProcess.ts', longestMs, memoryMB },
    { spent: readTooLong, unable: 'The reader could not be started.' },
  )
  // Its process keeps nobody waiting: this one waits for it.
  const awake = setInterval(() => undefined, 1000)
  try {
    const found = await reader.ask('read', path.resolve(file))
    return 'problem' in found ? refuse(found.problem) : { code: 0, out: found.json, err: '' }
  } catch (error) {
    if (error instanceof ApartError) return refuse(`${file}: ${error.message}`)
    throw error
  } finally {
    clearInterval(awake)
    reader.rest()
  }
}
