import { spawn } from 'node:child_process'
import { Readable } from 'node:stream'
import { thisMoment } from '../clock'
import { csvResponse } from '../csvResponse'
import type { SessionTable } from '../exports'
import { log } from '../log'
import { Refusal } from '../refusal'
import { Apart, ApartError, startedAs } from './apart'
import { apartPrograms } from './programs'
import type { Tasks } from './exportProcess'

const ownEnv = () => ({ MOZLE_DB_URL: process.env.MOZLE_DB_URL, MOZLE_KEYS: process.env.MOZLE_KEYS })

const maker = new Apart<Tasks>(
  { script: apartPrograms.export, longestMs: 60_000, memoryMB: 512, env: ownEnv },
  {
    spent: 'This table took too long to make. Export the archive of the session instead.',
    unable: 'Tables cannot be made at the moment. Try again in a moment.',
  },
)

/** A table of a session as a file that a browser keeps. @throws Refusal 503 */
export async function csvOf(id: string, table: SessionTable): Promise<Response> {
  try {
    const { name, text } = await maker.ask('csvOfSession', id, table)
    return csvResponse(name, text)
  } catch (error) {
    throw error instanceof ApartError ? new Refusal(503, error.message) : error
  }
}

/** How long an archive may take in all, and how many are made at once, so that a core is left for everybody else. */
const archiveMs = 300_000
const archiveMB = 768
let making = 0

/** The header that says how many files an archive will hold, so that a page can say how far it has come. */
export const filesHeader = 'x-archive-files'

/** The archive of a session, written by a process of its own while it is sent. @throws Refusal 503 where another is being made, or it could not be begun */
export async function archiveResponse(id: string, now = thisMoment()): Promise<Response> {
  if (making > 0) throw new Refusal(503, 'Another archive is being made. Try again when it is done.')
  making++
  const { script, options } = startedAs({ script: apartPrograms.archive, memoryMB: archiveMB, env: ownEnv })
  const child = spawn(process.execPath, [...options.execArgv, /*turbopackIgnore: true*/ script, id, now.toISOString()], {
    ...{ cwd: options.cwd, env: options.env },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  })
  const timer = setTimeout(() => child.kill('SIGKILL'), archiveMs)
  child.once('close', (code) => {
    making--
    clearTimeout(timer)
    if (code !== 0) log().error({ exit: code }, 'an archive could not be made')
  })
  const head = await new Promise<{ name: string; files: number } | null>((resolve) => {
    child.once('message', (message) => resolve(message as { name: string; files: number }))
    child.once('close', () => resolve(null))
    child.once('error', () => resolve(null))
  })
  if (!head) throw new Refusal(503, 'The archive could not be made. Try again in a moment.')
  const body = Readable.toWeb(child.stdout!) as ReadableStream<Uint8Array>
  return new Response(body, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="${head.name}"`,
      [filesHeader]: String(head.files),
    },
  })
}
