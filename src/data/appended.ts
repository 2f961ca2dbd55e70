/** What this process has written into logs since it began. The framework loads modules more than once in one process, so it stands where all copies find it. */
interface Appended {
  /** Entries written, all in all. */
  entries: number
  /** Runs written to since somebody last took them. */
  runs: Set<string>
}

const place = Symbol.for('mozle.appended')
const here = globalThis as { [place]?: Appended }

export const appended = (): Appended => (here[place] ??= { entries: 0, runs: new Set() })

export function noteAppended(run: string, entries: number): void {
  appended().entries += entries
  appended().runs.add(run)
}

/** The runs written to since the last time this was asked. */
export function takeAppended(): string[] {
  const runs = [...appended().runs]
  appended().runs.clear()
  return runs
}
