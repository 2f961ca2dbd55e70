/** An answer of the process's own front, as node knows it. */
export interface OpenAnswer {
  readonly headersSent: boolean
  /** Bytes that wait for a client to take them. */
  readonly writableLength: number
  write(bytes: Uint8Array): boolean
}

/** The header by which a request names its answer; the front writes it, and takes away what a client wrote there. */
export const answerHeader = 'x-mozle-answer'

/**
 * Answers that stay open, by the name the front gave them (scripts/server.ts). The front and the framework load this module apart, so the table stands with the process. A live
 * stream writes its events there: through the framework's web streams each event costs ten times as much for every watcher.
 */
const open = ((globalThis as { mozleAnswers?: Map<string, OpenAnswer> }).mozleAnswers ??= new Map<string, OpenAnswer>())

let count = 0

/** Names an answer until `closed` is called. */
export function nameAnswer(answer: OpenAnswer): { name: string; closed: () => void } {
  const name = String(++count)
  open.set(name, answer)
  return { name, closed: () => void open.delete(name) }
}

/** How many answers stay open: boards and benches that are being looked at. */
export const openCount = (): number => open.size

/** The answer behind a request, where the front has named one. */
export function answerTo(request: Request): OpenAnswer | undefined {
  return open.get(request.headers.get(answerHeader) ?? '')
}
