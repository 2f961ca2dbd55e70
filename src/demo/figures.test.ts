/** What the demo preparations and two runs came to on the day this file was written: a change of a figure is a mended fault, or a mistake. */
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { figuresOf, figuresOfRuns } from './figures'
import { plans } from './plans'

const file = path.join(__dirname, 'figures.txt')
const scales = [0.5, 1, 2]
const found = [
  ...plans.flatMap((plan) => scales.flatMap((scale) => [`# ${plan.title} × ${scale}`, ...figuresOf(plan, scale)])),
  '# runs',
  ...figuresOfRuns(),
]

// Run with MOZLE_FIGURES=write after a change that is meant, and look at what the difference says.
if (process.env.MOZLE_FIGURES === 'write') writeFileSync(file, `${found.join('\n')}\n`)

test('no figure, blank, fact, advice or query of the demo has changed', () => {
  const kept = readFileSync(file, 'utf8').trimEnd().split('\n')
  const under = (lines: string[]) => {
    let head = ''
    return lines.map(
      (each) => (
        (head = each.startsWith('#') || each.startsWith('step') ? each.split(' ').slice(0, 6).join(' ') : head),
        `${head} | ${each}`
      ),
    )
  }
  const [before, now] = [new Set(under(kept)), new Set(under(found))]
  expect({ gone: [...before].filter((each) => !now.has(each)), come: [...now].filter((each) => !before.has(each)) }).toEqual({
    gone: [],
    come: [],
  })
})
