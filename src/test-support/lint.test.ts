/** The rules that hold the code together, each tried on code that breaks it and on code that does not. */
import { execFileSync } from 'node:child_process'
import path from 'node:path'

const root = path.resolve(__dirname, '../..')

/** What the linter says of a text as if it stood in a file; the words after the colon of each rule's message. */
function lint(file: string, text: string): string[] {
  const args = [path.join(root, 'node_modules/eslint/bin/eslint.js'), '--stdin', '--stdin-filename', file, '--format', 'json']
  const run = () => {
    try {
      return execFileSync(process.execPath, args, { cwd: root, input: text, encoding: 'utf8', stdio: ['pipe', 'pipe', 'pipe'] })
    } catch (error) {
      // It ends with 1 where it found something.
      return (error as { stdout: string }).stdout
    }
  }
  const [found] = JSON.parse(run()) as { messages: { message: string }[] }[]
  return found!.messages.map(({ message }) => message)
}

const asks = 'Ask the walk what is in a vessel (operations/vessel/stoodAt.ts).'

test('only the walk tells what is in a vessel: who adds up steps or lines is stopped', () => {
  const guesses = [
    'export const a = (plan) => plan.steps.flatMap((step) => partsUsed(step))',
    'export const b = (plan, at) => plan.steps.slice(0, at).map((step) => step)',
    'export const c = (table) => table.lines.reduce((sum, { volume }) => sum + volume.value, 0)',
    'export const d = (table) => table.lines.filter(({ mass }) => mass).reduce((sum, { mass }) => sum + mass.value, 0)',
    'export const e = (plan, table, things) => chargedOf(plan, table, things)',
  ].join('\n')
  expect(lint('src/core/operations/guesses.ts', guesses).filter((each) => each === asks)).toHaveLength(4)
  expect(lint('src/core/matter/walked.ts', guesses).filter((each) => each === asks)).toEqual([])
  const asked = 'export const a = (step) => partsUsed(step).map(({ part }) => part)'
  expect(lint('src/core/operations/asks.ts', asked)).toEqual([])
})

test('words never decide', () => {
  const reads = "export const a = (step) => step.text.includes('reflux')"
  expect(lint('src/core/operations/reads.ts', reads)).toEqual(['Words never decide: ask a field of the step.'])
  expect(lint('src/core/reading/reads.ts', reads)).toEqual([])
})
