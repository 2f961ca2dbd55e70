/** Labels that are no longer used come back nowhere on the screens; where one still stands it is counted, and the count only falls. */
import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { formerWords } from './formerWords'

const sources = ['src/ui', 'src/app'].flatMap((root) =>
  readdirSync(path.join(process.cwd(), root), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
    .map((file) => readFileSync(path.join(process.cwd(), root, file), 'utf8')),
)
/** As the text of an element, or as a whole string. */
const timesIn = (texts: readonly string[], label: string) => {
  const words = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
  const whole = new RegExp(`>\\s*${words}\\s*<|'${words}'|"${words}"`, 'g')
  return texts.reduce((sum, text) => sum + (text.match(whole)?.length ?? 0), 0)
}

test.each(formerWords)('“$label” is “$now” by now', ({ label, left }) => expect(timesIn(sources, label)).toBe(left))

test('a whole label is found in each way of writing it, a word within a sentence is not', () => {
  expect(timesIn(['<b>Say it</b>', "label='Say it'", '<b>\n  Say it\n</b>', 'a="Say it"'], 'Say it')).toBe(4)
  expect(timesIn(['<b>Say it again</b>', "'They say it'"], 'Say it')).toBe(0)
})
