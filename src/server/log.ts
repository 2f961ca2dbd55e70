import pino, { type Logger } from 'pino'

const place = Symbol.for('mozle.log')
const here = globalThis as { [place]?: Logger }

/**
 * The structured log of this process: one JSON object a line, with a moment and a level. No names, no codes, no words of people go into it: ids, routes, counts and what went wrong. The framework loads modules more than once, so the log stands with the process.
 */
export const log = (): Logger =>
  (here[place] ??= pino({
    level: process.env.MOZLE_LOG ?? 'info',
    base: null,
    timestamp: pino.stdTimeFunctions.isoTime,
    formatters: { level: (label) => ({ level: label }) },
    redact: ['token', 'code', 'password', 'name', 'email', '*.token', '*.code', '*.password'],
  }))

/** An error as it may be logged: what it is and where, without the statement or the values that a database error carries. */
export function plainError(error: unknown): { what: string; message: string; stack: string } {
  if (!(error instanceof Error)) return { what: 'unknown', message: typeof error, stack: '' }
  const where = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))
  // A database error repeats the values of its statement, which may be anybody's words: its code says what it was.
  const database = 'sql' in error || 'original' in error
  const code = (error as { original?: { code?: string } }).original?.code ?? 'no code'
  return {
    what: error.name,
    message: database ? `the database said ${code}` : error.message,
    stack: where.slice(0, 12).join('\n'),
  }
}

/** What of a path is a word of a route, or an id of ours, which opens nothing by itself. */
const word = /^[a-z][a-z-]{0,24}(\.[a-z]{1,5})?$/
const id = /^[0-9A-HJKMNP-TV-Z]{26}$/

/**
 * A path as it may be logged: without its query, and of its parts only words of routes and ids. Anything else (the secret of an invitation or a calendar, a code, what somebody made up) is left out by its shape, however many slashes
 * stand before it.
 */
export const plainPath = (url: string | undefined): string =>
  (url ?? '')
    .replace(/[?#].*$/s, '')
    .split(/[/\\]+/)
    .map((part) => (part === '' || word.test(part) || id.test(part) ? part : '…'))
    .join('/')
    .slice(0, 200)
