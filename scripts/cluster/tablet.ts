import { pause } from '../load/round'
import { post } from '../load/room'
import { safetyRead } from '../load/safetyRead'

/** What a bench wrote, and how long the longest of its entries waited to be taken, ms. */
export interface Written {
  ids: string[]
  longestMs: number
  /** Answers that a bench cannot do anything about. */
  refused: string[]
  /** How often it was told that the database does not answer just now. */
  unavailable: number
}

/** So long an entry is tried again; a tablet keeps it for ever. */
const givesUpMs = 30_000

/**
 * A bench that writes an entry at a time and tries it again, at another application where one does not answer, until it is taken, as a tablet behind a proxy does.
 * @param first the application that it asks first for an entry, by how many it has written
 */
export async function writes(
  { run, cookie }: { run: string; cookie: string },
  addresses: readonly string[],
  { everyMs, until, first }: { everyMs: number; until: () => boolean; first: (written: number) => number },
): Promise<Written> {
  const written: Written = { ids: [], longestMs: 0, refused: [], unavailable: 0 }
  while (!until()) {
    const entry = safetyRead(new Date())
    const start = performance.now()
    for (let tries = first(written.ids.length); ; tries++) {
      const address = addresses[tries % addresses.length]!
      const body = { entries: [entry], sentAt: new Date().toISOString() }
      const answer = await post(address, `/api/runs/${run}/entries`, body, cookie).catch(() => null)
      if (answer?.ok) break
      if (answer?.status === 503) written.unavailable++
      else if (answer) written.refused.push(`${answer.status} ${await answer.text()}`)
      if (performance.now() - start > givesUpMs) throw new Error(`An entry was not taken for ${givesUpMs / 1000} s.`)
      await pause(50)
    }
    written.ids.push(entry.id)
    written.longestMs = Math.max(written.longestMs, performance.now() - start)
    await pause(Math.max(0, everyMs - (performance.now() - start)))
  }
  return written
}
