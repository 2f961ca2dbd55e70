/** What the demo preparations and two runs came to on the day this file was written: a change of a figure is a mended fault, or a mistake. */
import { printed } from '@/core/words/words'
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import type { Plan } from '@/core/plan/plan'
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

/** The plan with every word of its author gone: names and titles are numbers, sentences keep nothing but the fields that stand in them, and there are no notes, cautions or ends in words at all. */
function masked(plan: Plan): { plan: Plan; back: (line: string) => string } {
  const words = new Map<string, string>()
  const mask = (word: string) => words.get(word) ?? words.set(word, `§${words.size}§`).get(word)!
  const sentence = (text: string) => (text.match(/\{[^}]*\}/g) ?? []).join(' § ')
  const names = new Map(plan.substances.map(({ name }) => [name, mask(name)]))
  const renamed = (value: unknown): unknown =>
    typeof value === 'string' ? (names.get(value) ?? value) : Array.isArray(value) ? value.map(renamed) : value
  const steps = plan.steps.map(({ until: _until, caution: _caution, ...step }) => ({
    ...step,
    title: mask(printed(step.title)),
    text: sentence(printed(step.text)),
    ...('verb' in step ? { verb: '§' } : {}),
    ...('meanwhile' in step ? { meanwhile: '§' } : {}),
    ...('checks' in step ? { checks: step.checks.map(() => '§') } : {}),
    ...('container' in step ? { container: '§' } : {}),
    // The method of a test is one of a list, though its reagent may be called the same.
    ...(step.work
      ? {
          work: Object.fromEntries(
            Object.entries(step.work).map(([key, value]) => [key, key === 'method' ? value : renamed(value)]),
          ),
        }
      : {}),
  })) as unknown as Plan['steps']
  const hidden: Plan = {
    ...plan,
    title: '§',
    aim: '§',
    conditions: { above: '§', below: '§' },
    safety: { wear: ['§'], atHand: ['§'], ownWords: '§' },
    substances: plan.substances.map(({ systematicName: _long, caution: _caution, ...rest }) => ({
      ...rest,
      name: names.get(rest.name)!,
    })),
    lines: plan.lines.map(({ note: _note, ...line }) => line),
    steps,
  }
  const whole = [...words].sort(([, a], [, b]) => b.length - a.length)
  return { plan: hidden, back: (line) => whole.reduce((text, [word, sign]) => text.replaceAll(sign, word), line) }
}

test.each(plans.map((plan) => [plan.title, plan] as const))(
  '%s: without its words not one figure, blank or query is another',
  (_title, plan) => {
    const hidden = masked(plan)
    for (const scale of scales) expect(figuresOf(hidden.plan, scale).map(hidden.back)).toEqual(figuresOf(plan, scale))
  },
)
