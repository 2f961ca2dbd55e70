import { mainSubstance } from '../../plan/plan'
import { capital } from '../../words/capital'
import { expectedOf, panelLacks, testMethodOf, testMethods, type Tube } from './testPanel'
import { fact, planner, usual, when } from '../planner'
import { list, named, oneOf, type Blanks } from '../fields'

const fields = [
  oneOf(
    'method',
    'test',
    testMethods.map(({ name }) => name),
  ),
  list('tubes', 'tubes', {
    columns: [
      {
        key: 'holds',
        label: 'tube',
        kind: 'choice',
        ways: [
          { value: 'sample', words: 'sample' },
          { value: 'control', words: 'positive control' },
          { value: 'blank', words: 'blank' },
        ],
      },
      named('what', 'holds', 'substances'),
      {
        key: 'expect',
        label: 'expected',
        kind: 'choice',
        ways: [
          { value: 'positive', words: 'positive' },
          { value: 'negative', words: 'negative' },
        ],
      },
    ],
    add: 'Add a tube',
    fresh: { holds: 'sample', what: '', expect: 'negative' },
  }),
] as const

export type TestBlanks = Blanks<typeof fields>

const holds = ['sample', 'control', 'blank'] as const

/** The tubes of a panel as they stand. */
export function tubesOf(filled: Pick<TestBlanks, 'tubes'>): Tube[] {
  return filled.tubes.map((row) => ({
    holds: holds.find((each) => each === row.holds) ?? 'sample',
    what: String(row.what ?? ''),
    expect: row.expect === 'positive' ? 'positive' : 'negative',
  }))
}

/** What each tube is called in the book. */
export const tubeNames = (filled: Pick<TestBlanks, 'tubes'>): string[] =>
  tubesOf(filled).map(({ holds, what }, index) => `${index + 1} ${holds === 'control' ? 'positive control' : holds}, ${what}`)

/** Tests in tubes: sample, positive control and blank, with the sign to look for and a stopwatch for each. */
export const testing = planner({
  of: 'test',
  title: 'Tests',
  sentences: (say) => [say`The test with ${'method'}, in these tubes: ${'tubes'}`],
  fields,
  suggest: (context, typed) => {
    const method = testMethods.find(({ name }) => name === typed.method) ?? testMethods[0]!
    const sample = mainSubstance(context.plan)
    const expect = expectedOf(method, sample)
    return {
      method: usual(testMethods[0]!.name, 'the first of the tests'),
      tubes: usual(
        [
          { holds: 'sample', what: sample?.name ?? 'sample', expect: expect ?? 'negative' },
          // Its name stands in the book of runs that were held with it.
          { holds: 'control', what: 'something known to answer', expect: 'positive' },
          { holds: 'blank', what: 'reagent alone', expect: 'negative' },
        ],
        expect === undefined
          ? 'a sample beside a positive control and a blank; what the sample does nobody has said'
          : 'a sample beside a positive control and a blank; what the sample does by its groups',
      ),
    }
  },
  report: (_context, filled) => {
    const method = testMethodOf(filled.method)
    const lacks = panelLacks(tubesOf(filled))
    return {
      facts: [
        fact('recipe', method.reagent, method.drops, method.drops === 1 ? 'drop' : 'drops', 0, { atBench: true }),
        fact('watch', 'watch for', method.watchMin, 'min', 0, {
          how: 'one stopwatch to each tube, started together',
          atBench: true,
        }),
      ],
      advice: [
        {
          id: 'sign',
          level: 'open',
          words: `Positive: ${method.sign}. It says that ${method.proves} is there, not that the sample is pure.`,
          why: `it does not say ${method.provesNot}`,
        },
        {
          id: 'control',
          level: 'open' as const,
          words: `${capital(method.control)} is known to answer: take it as the control.`,
        },
        ...when(method.heed !== undefined, 'heed', 'danger', method.heed ?? ''),
        ...(method.warm
          ? [{ id: 'warm', level: 'open' as const, words: 'Warm once, in water of 50 °C, what did nothing cold.' }]
          : []),
        ...lacks.map((words, index): { id: string; level: 'doubt'; words: string } => ({
          id: `lacks-${index}`,
          level: 'doubt',
          words: `The panel lacks ${words}.`,
        })),
      ],
    }
  },
})
