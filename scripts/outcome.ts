/** What a command leaves: its exit code and what goes to either stream. */
export interface Outcome {
  code: number
  out: string
  err: string
}

/** Prints what a command leaves, and ends with its code once that is written. */
export function leave({ code, out, err }: Outcome): void {
  process.stdout.write(out)
  process.stderr.write(err)
  process.exitCode = code
}

/** A command that could not be carried out, and why. */
export const refuse = (words: string): Outcome => ({ code: 2, out: '', err: `${words}\n` })
