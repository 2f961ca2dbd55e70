import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'

const home = path.join(__dirname, '../..')
const listed = (root: string) =>
  readdirSync(path.join(home, root), { recursive: true, encoding: 'utf8' })
    .map((file) => path.join(home, root, file))
    .filter((file) => /\.test\.tsx?$/.test(file) && !/\.(db|service|cluster)\.test\.ts$/.test(file))
    .sort()

/** In so many shares the tests are run, two at a time. */
export const shares = 4

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
  for (const file of testFiles().together.filter((_, index) => index % shares === share))
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    describe(path.relative(home, file), () => void require(file))
}
