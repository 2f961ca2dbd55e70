import { existsSync, readFileSync, writeFileSync } from 'node:fs'

/** Run with MOZLE_FIGURES=write after a change that is meant, and look at what the difference says. */
export const writesFigures = process.env.MOZLE_FIGURES === 'write'

/**
 * A file beside a test that holds what was found on the day it was written, under heads that begin with `# `. A difference is a mended fault, or a mistake.
 */
export class Kept {
  private readonly known: ReadonlyMap<string, readonly string[]>
  private readonly found: string[] = []

  constructor(private readonly file: string) {
    const parts = (existsSync(file) ? readFileSync(file, 'utf8') : '').split(/^# /m).slice(1)
    this.known = new Map(
      parts.map((part) => {
        const [head, ...lines] = part.trimEnd().split('\n')
        return [head!, lines]
      }),
    )
  }

  get heads(): string[] {
    return [...this.known.keys()]
  }

  under(head: string): readonly string[] {
    return this.known.get(head) ?? []
  }

  /** Holds what is found against what is kept; while writing, keeps it. */
  holds(head: string, lines: readonly string[]): void {
    this.found.push(`# ${head}`, ...lines)
    if (!writesFigures) expect(lines).toEqual(this.under(head))
  }

  /** After all tests. */
  write(): void {
    if (writesFigures) writeFileSync(this.file, `${this.found.join('\n')}\n`)
  }
}
