import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { home } from '../home'

const folder = path.join(home, 'scripts/together')
const listed = (root: string) =>
  readdirSync(path.join(home, root), { recursive: true, encoding: 'utf8' })
    .map((file) => path.join(home, root, file))
    .filter((file) => /\.test\.tsx?$/.test(file) && !/\.(db|service|cluster)\.test\.ts$/.test(file))
    .sort()

/** The suites beside this file; each runs its share of the tests. */
export const suiteFiles = (): string[] =>
  readdirSync(folder)
    .filter((file) => file.endsWith('.suite.ts'))
    .map((file) => path.join(folder, file))

/**
 * The tests that need no running program. Those of the core load the same modules again and again, which takes longer than the tests themselves: each share of them is run with one set of modules. Those
 * that want an environment of their own, or belong to the commands, are run alone.
 */
export function testFiles(): { together: string[]; alone: string[] } {
  const all = [...listed('src'), ...listed('scripts')]
  const isAlone = (file: string) =>
    file.startsWith(path.join(home, 'scripts')) || readFileSync(file, 'utf8').includes('@jest-environment')
  return { together: all.filter((file) => !isAlone(file)), alone: all.filter(isAlone) }
}

/** The tests of one share as if they stood in one file, each file under its own name. */
export function runShare(share: number): void {
  for (const file of testFiles().together.filter((_, index) => index % suiteFiles().length === share))
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    describe(path.relative(home, file), () => void require(file))
}
