import { post, type Room } from './room'
import { safetyRead } from './safetyRead'
import { aborter, watch } from './watch'

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** The value below which a part of the values lies. */
export const share = (values: readonly number[], part: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(part * values.length))] ?? NaN

export const everyMs = 2000

interface Wanted {
  /** The applications; benches and boards take them in turn. */
  addresses: readonly string[]
  room: Room
  streams: number
  writers: number
  seconds: number
}

/** What was seen in a round: how long each entry took to each board, how long each answer took, and how many of the boards' entries came. */
export interface Round {
  delays: number[]
  answers: number[]
  wanted: number
}

/** Boards that watch while benches write, every bench an entry every two seconds. @throws Error where a bench could not write */
export async function round({ addresses, room, streams, writers, seconds }: Wanted): Promise<Round> {
  const at = (index: number) => addresses[index % addresses.length]!
  const sentAt = new Map<string, number>()
  const [delays, answers]: [number[], number[]] = [[], []]
  const stop = aborter()
  await Promise.all(
    Array.from({ length: streams }, (_, index) =>
      watch(`${at(index)}/api/sessions/${room.session}/live`, room.watcher, stop.signal, (id) => {
        const sent = sentAt.get(id)
        if (sent !== undefined) delays.push(performance.now() - sent)
      }),
    ),
  )
  const until = Date.now() + seconds * 1000
  await Promise.all(
    room.benches.slice(0, writers).map(async ({ run, cookie }, index) => {
      await pause((index / writers) * everyMs)
      while (Date.now() < until) {
        const now = new Date()
        const entry = safetyRead(now)
        const start = performance.now()
        sentAt.set(entry.id, start)
        const answer = await post(at(index), `/api/runs/${run}/entries`, { entries: [entry], sentAt: now.toISOString() }, cookie)
        if (!answer.ok) throw new Error(`A bench could not write: ${await answer.text()}`)
        answers.push(performance.now() - start)
        await pause(Math.max(0, everyMs - (performance.now() - start)))
      }
    }),
  )
  await pause(1000)
  stop.abort()
  return { delays, answers, wanted: sentAt.size * streams }
}
