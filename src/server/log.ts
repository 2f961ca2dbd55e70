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

/** A path as it may be logged: without its query, and without what is secret in it. */
export const plainPath = (url: string | undefined): string =>
  (url ?? '')
    .replace(/[?#].*$/, '')
    .replace(/^(\/(?:api\/)?(?:invitations?|first))\/[^/]+/, '$1/…')
    .slice(0, 200)
