import { mkdirSync } from 'node:fs'
import { takeAppended } from '@/data/appended'
import { database } from '@/data/connect'
import { headsOf, signingKey, tidyBook, writeBook } from '@/data/heads'

const everyMs = 60_000
/** After a failure it is tried again soon: what is not signed yet is not covered. */
const againMs = 3_000

/**
 * Signs the heads of logs into the book in `folder`: at the start those that have come on since it was last written, then every minute and at the end those that this process has written to.
 */
export function signEveryMinute(folder: string, failed: (error: unknown) => void): { end: () => Promise<void> } {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const key = signingKey(folder)
  let first = true
  let busy = Promise.resolve()
  const sign = async () => {
    const runs = takeAppended()
    try {
      if (first) {
        const known = new Map(tidyBook(folder).map(({ run, seq }) => [run, seq]))
        const heads = await headsOf(database())
        writeBook(
          folder,
          heads.filter(({ run, seq }) => seq > (known.get(run) ?? 0)),
          key,
        )
        first = false
      } else writeBook(folder, await headsOf(database(), runs), key)
    } catch (error) {
      // What was taken is signed with all others the next time.
      first = true
      failed(error)
      clearTimeout(again)
      if (!ended) again = setTimeout(() => void next(), againMs)
    }
  }
  let again: NodeJS.Timeout | undefined
  let ended = false
  const next = () => (busy = busy.then(sign))
  void next()
  const timer = setInterval(() => void next(), everyMs)
  return {
    async end() {
      ended = true
      clearInterval(timer)
      clearTimeout(again)
      await Promise.race([next(), new Promise((resolve) => setTimeout(resolve, 2000))])
    },
  }
}
