import { thisMoment } from './clock'
import { createHash } from 'node:crypto'
import { lastNumbers, readEntries } from '@/data/entries'
import { dayOfCode, placesOfRuns } from '@/data/people'
import { benchAt, peopleSignedIn } from './actor'
import { log, plainError } from './log'
import type { OpenAnswer } from './openAnswers'
import { may, type Actor } from './rights'

type Cursor = Record<string, number>

interface Watcher {
  seen: Cursor
  /** `seen` as it is sent (writeCursor). Those who have seen the same are sent the same bytes, made once. */
  id: string
  /** Who watches, and in which course. */
  actor: Actor
  course: string
  send: (bytes: Uint8Array) => void
  close: () => void
}

/** How often the database is asked what is new while nothing is written through this process. */
const everyMs = 300
/** After an entry through this process, how soon: later where many watch, so that what is sent to all of them is sent less often. */
const soonMs = () => 40 + 0.8 * watch.watchers.size
const heartbeatMs = 15_000
/** How often it is asked whether those who watch still may. */
const recheckMs = 3000
/** A client that takes nothing for so many bytes is let go; it comes back with its cursor. */
const mostWaitingBytes = 1_000_000
const queueBytes = 65_536

interface Watch {
  watchers: Set<Watcher>
  timer?: NodeJS.Timeout | undefined
  /** When the timer rings. */
  dueAt: number
  looking: boolean
  /** True when something was written while it was being looked. */
  again: boolean
  checkedAt: number
  beat?: NodeJS.Timeout | undefined
}

/** One for the whole process: the framework may load this module more than once. */
const watch: Watch = ((globalThis as { mozleWatch?: Watch }).mozleWatch ??= {
  watchers: new Set(),
  dueAt: Infinity,
  looking: false,
  again: false,
  checkedAt: 0,
})

/** Says that something was written through this process, so that it is shown at once. */
export function nudge(): void {
  if (watch.watchers.size === 0) return
  if (watch.looking) watch.again = true
  else plan(soonMs())
}

/** Never puts off what is planned already: where somebody writes all the time, that would be for ever. */
function plan(ms: number): void {
  const at = Date.now() + ms
  if (watch.watchers.size === 0 || watch.dueAt <= at) return
  clearTimeout(watch.timer)
  watch.dueAt = at
  watch.timer = setTimeout(() => void look(), ms)
}

/**
 * One question to the database for everyone who watches through this process, and one read of each run that has moved. Entries of a run are numbered without gaps in the order
 * they are committed, so "above the number I have seen" misses nothing, whichever process wrote them.
 */
async function look(): Promise<void> {
  watch.dueAt = Infinity
  if (watch.looking) return
  watch.looking = true
  watch.again = false
  try {
    if (Date.now() - watch.checkedAt > recheckMs) await recheck()
    await pushNew()
  } catch (error) {
    log().error({ error: plainError(error) }, 'the live stream could not read the log; it tries again')
  }
  watch.looking = false
  plan(watch.again ? soonMs() : everyMs)
}

async function pushNew(): Promise<void> {
  const lowest: Cursor = {}
  // Most have seen the same.
  for (const seen of new Map([...watch.watchers].map((each) => [each.id, each.seen])).values())
    for (const [run, number] of Object.entries(seen)) lowest[run] = Math.min(lowest[run] ?? number, number)
  if (Object.keys(lowest).length === 0) return
  const last = await lastNumbers(Object.keys(lowest))
  const moved = Object.keys(lowest).filter((run) => (last[run] ?? 0) > lowest[run]!)
  if (moved.length === 0) return
  const entries = await readEntries(moved, lowest)
  const news = new Map<string, News | undefined>()
  for (const watcher of [...watch.watchers]) {
    if (!news.has(watcher.id)) news.set(watcher.id, newsAfter(watcher.seen, entries))
    const found = news.get(watcher.id)
    if (!found) continue
    watcher.seen = found.seen
    watcher.id = found.id
    watcher.send(found.bytes)
  }
}

interface News {
  seen: Cursor
  id: string
  bytes: Uint8Array
}

const encoder = new TextEncoder()
const stillHere = encoder.encode(': still here\n\n')

/** The event for those who have seen so much; undefined where it is all. */
function newsAfter(before: Cursor, entries: Awaited<ReturnType<typeof readEntries>>): News | undefined {
  const seen = { ...before }
  const fresh: typeof entries = {}
  for (const [run, number] of Object.entries(before)) {
    const above = (entries[run] ?? []).filter(({ seq }) => seq > number)
    if (above.length === 0) continue
    fresh[run] = above
    seen[run] = above.at(-1)!.seq
  }
  if (Object.keys(fresh).length === 0) return undefined
  const id = writeCursor(seen)
  return { seen, id, bytes: encoder.encode(`id: ${id}\ndata: ${JSON.stringify(fresh)}\n\n`) }
}

/** Closes what is open for those who no longer may: signed out, password changed, role withdrawn, a new bench code, a session that is over. */
export async function recheck(now = thisMoment()): Promise<void> {
  watch.checkedAt = Date.now()
  const actors = [...watch.watchers].map(({ actor }) => actor)
  const signIns = [...new Set(actors.flatMap((actor) => (actor.kind === 'user' && actor.signIn ? [actor.signIn] : [])))]
  const runs = [...new Set(actors.flatMap((actor) => (actor.kind === 'bench' ? [actor.run] : [])))]
  if (actors.length === 0) return
  const [people, places] = await Promise.all([peopleSignedIn(signIns, now), placesOfRuns({ ids: runs })])
  for (const watcher of [...watch.watchers]) {
    const { actor, course } = watcher
    const place = actor.kind === 'bench' ? dayOfCode(places, actor.run, actor.code) : undefined
    const current =
      actor.kind === 'user'
        ? (people.get(actor.signIn ?? '') ?? null)
        : actor.kind === 'bench' && place
          ? benchAt(place, actor.code, now)
          : null
    const subject = actor.kind === 'bench' ? { course, run: actor.run } : { course }
    if (!may(current, 'run.read', subject)) watcher.close()
  }
}

/** How many watch through this process. */
export const watching = () => watch.watchers.size

/**
 * A stream of server-sent events with every entry of these runs above the numbers already seen. Each event's id is the new
 * cursor, so a browser that reconnects goes on where it stopped, at this process or another.
 */
export function liveStream(
  seen: Cursor,
  who: { actor: Actor; course: string },
  signal: AbortSignal,
  answer?: OpenAnswer | undefined,
): Response {
  let leave = () => {}
  const body = new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const watcher: Watcher = {
          seen,
          id: writeCursor(seen),
          ...who,
          send: (bytes) => {
            const room = controller.desiredSize ?? 0
            if (room < -mostWaitingBytes || (answer?.writableLength ?? 0) > mostWaitingBytes) watcher.close()
            // Head and beginning are the framework's; once nothing waits there, events go straight to the client.
            else if (answer?.headersSent && room === queueBytes) answer.write(bytes)
            // A stream takes over what it is given, and others are sent the same.
            else controller.enqueue(bytes.slice())
          },
          close: () => {
            leave()
            try {
              controller.close()
            } catch {
              // The client has closed it already.
            }
          },
        }
        leave = () => {
          watch.watchers.delete(watcher)
          signal.removeEventListener('abort', watcher.close)
          if (watch.watchers.size > 0) return
          clearTimeout(watch.timer)
          clearInterval(watch.beat)
          watch.timer = watch.beat = undefined
          watch.dueAt = Infinity
        }
        watcher.send(encoder.encode('retry: 1000\n\n'))
        // Whoever comes was looked at just now.
        if (watch.watchers.size === 0) watch.checkedAt = Date.now()
        watch.watchers.add(watcher)
        watch.beat ??= setInterval(() => {
          for (const each of watch.watchers) each.send(stillHere)
        }, heartbeatMs)
        if (signal.aborted) watcher.close()
        else signal.addEventListener('abort', watcher.close)
        if (!watch.looking && watch.watchers.size > 0) plan(0)
        else watch.again = true
      },
      // A client that goes away is told here, and by the signal only sometimes.
      cancel: () => leave(),
    },
    new ByteLengthQueuingStrategy({ highWaterMark: queueBytes }),
  )
  return new Response(body, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  })
}

/**
 * A cursor as the id of an event: a mark of its runs, then their numbers in the order of the runs' ids. A room of a hundred benches would else send their ids with every event to everyone.
 */
export function writeCursor(seen: Cursor): string {
  const runs = Object.keys(seen).sort()
  return [markOf(runs), ...runs.map((run) => seen[run])].join('.')
}

/** Changes with the runs, so that numbers are never taken for those of others. */
function markOf(runs: readonly string[]): string {
  return createHash('sha256').update(runs.join()).digest('base64url').slice(0, 12)
}

/** The numbers a client says it has seen, for these runs: from the reconnecting browser's header, or the address. What cannot be read counts as nothing seen. */
export function cursorOf(request: Request, runs: readonly string[]): Cursor {
  const ordered = [...runs].sort()
  const [mark, ...said] = (request.headers.get('last-event-id') ?? '').split('.')
  const given =
    mark === markOf(ordered) && said.length === ordered.length
      ? new Map(ordered.map((run, index) => [run, Number(said[index])]))
      : numbersOf(new URL(request.url).searchParams.get('seen'))
  return Object.fromEntries(
    runs.map((run) => {
      const number = given.get(run)
      return [run, Number.isSafeInteger(number) && (number as number) >= 0 ? (number as number) : 0]
    }),
  )
}

function numbersOf(text: string | null): Map<string, unknown> {
  try {
    return new Map(Object.entries((JSON.parse(text ?? '{}') ?? {}) as Record<string, unknown>))
  } catch {
    return new Map()
  }
}
