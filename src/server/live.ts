import { lastNumbers, readEntries, type NumberedEntry } from '@/data/entries'

type Cursor = Record<string, number>
interface Watcher {
  seen: Cursor
  push: (entries: Record<string, NumberedEntry[]>, cursor: Cursor) => void
}

/** How often the database is asked what is new; half of what a watching person would notice. */
const everyMs = 400
const heartbeatMs = 15_000

const watchers = new Set<Watcher>()
let timer: NodeJS.Timeout | undefined

/**
 * One question to the database for everyone who watches through this process. Entries of a run are numbered without gaps in the order
 * they are committed, so "above the number I have seen" misses nothing, whichever process wrote them.
 */
async function look(): Promise<void> {
  const runs = [...new Set([...watchers].flatMap(({ seen }) => Object.keys(seen)))]
  try {
    const last = await lastNumbers(runs)
    for (const watcher of watchers) {
      const moved = Object.keys(watcher.seen).filter((run) => (last[run] ?? 0) > watcher.seen[run]!)
      if (moved.length === 0) continue
      const entries = await readEntries(moved, watcher.seen)
      for (const run of moved) watcher.seen[run] = entries[run]!.at(-1)?.seq ?? watcher.seen[run]!
      watcher.push(entries, { ...watcher.seen })
    }
  } catch (error) {
    console.error('The live stream could not read the log; it tries again.', error)
  }
  timer = watchers.size > 0 ? setTimeout(look, everyMs) : undefined
}

/**
 * A stream of server-sent events with every entry of these runs above the numbers already seen. Each event's id is the new
 * cursor, so a browser that reconnects goes on where it stopped, at this process or another.
 */
export function liveStream(seen: Cursor, signal: AbortSignal): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text))
      const watcher: Watcher = {
        seen,
        push: (entries, cursor) => send(`id: ${JSON.stringify(cursor)}\ndata: ${JSON.stringify(entries)}\n\n`),
      }
      send('retry: 1000\n\n')
      const heartbeat = setInterval(() => send(': still here\n\n'), heartbeatMs)
      watchers.add(watcher)
      timer ??= setTimeout(look, 0)
      signal.addEventListener('abort', () => {
        clearInterval(heartbeat)
        watchers.delete(watcher)
        if (watchers.size === 0) {
          clearTimeout(timer)
          timer = undefined
        }
        controller.close()
      })
    },
  })
  return new Response(body, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  })
}

/** The numbers a client says it has seen, for these runs: from the reconnecting browser's header, or the address. */
export function cursorOf(request: Request, runs: readonly string[]): Cursor {
  let given: unknown
  try {
    given = JSON.parse(request.headers.get('last-event-id') ?? new URL(request.url).searchParams.get('seen') ?? '{}')
  } catch {
    given = {}
  }
  const numbers = (given ?? {}) as Record<string, unknown>
  return Object.fromEntries(runs.map((run) => [run, Number.isInteger(numbers[run]) ? (numbers[run] as number) : 0]))
}
