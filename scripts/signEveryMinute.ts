import { mkdirSync } from 'node:fs'
import { database } from '@/data/connect'
import { headsSince, signingKey, tidyBook, writeBook } from '@/data/heads'

const everyMs = 60_000
/** After a failure it is tried again soon: what is not signed yet is not covered. */
const againMs = 3_000

/**
 * Signs the heads of logs into the book in `folder`, at the start, every minute and at the end: of all runs that have come on since, whichever application wrote to them.
 */
export function signEveryMinute(folder: string, failed: (error: unknown) => void): { end: () => Promise<void> } {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const key = signingKey(folder)
  let known: Map<string, number> | undefined
  let busy = Promise.resolve()
  const sign = async () => {
    try {
      known ??= new Map(tidyBook(folder).map(({ run, seq }) => [run, seq]))
      const heads = await headsSince(database(), known)
      writeBook(folder, heads, key)
      for (const { run, seq } of heads) known.set(run, seq)
    } catch (error) {
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
