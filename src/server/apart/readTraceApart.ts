import { Refusal } from '../refusal'
import { Apart, ApartError } from './apart'
import { apartPrograms } from './programs'
import type { Tasks, TraceHead } from './traceProcess'

/** A file of an instrument is read in some milliseconds. */
const reader = new Apart<Tasks>(
  { script: apartPrograms.trace, longestMs: 4000, memoryMB: 256 },
  {
    spent: 'this file took too long or too much memory to read. Export it from the instrument once more, with fewer points.',
    unable: 'files cannot be read at the moment. Try again in a moment.',
  },
)

/** Reads what a file of an instrument says of itself, in a process of its own. @throws Refusal 400 with what is wrong with it, 503 where it could not be looked at */
export async function readTraceApart(content: string, name: string): Promise<TraceHead> {
  try {
    const read = await reader.ask('readHead', content, name)
    if (!read.ok) throw new Refusal(400, `${name}: ${read.problem}`)
    return read.value
  } catch (error) {
    if (error instanceof ApartError) throw new Refusal(error.spent ? 400 : 503, `${name}: ${error.message}`)
    throw error
  }
}
