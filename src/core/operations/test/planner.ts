import { mainSubstance } from '../../plan/plan'
import { panelLacks, testMethodOf, testMethods, type Tube } from './testPanel'
import { fact, oneOf, rowsOf, word, type Filled, type Planner } from '../planner'

const holds = ['sample', 'control', 'blank'] as const

/** The tubes of a panel as they stand. */
export function tubesOf(filled: Filled): Tube[] {
  return rowsOf(filled, 'tubes').map((row) => ({
    holds: holds.find((each) => each === row.holds) ?? 'sample',
    what: String(row.what ?? ''),
    expect: row.expect === 'positive' ? 'positive' : 'negative',
  }))
}

/** Tests in tubes: sample, positive control and blank, with the sign to look for and a stopwatch for each. */
export const testing: Planner = {
  of: 'test',
  title: 'Tests',
  sentences: () => ['The test with {method}, in these tubes: {tubes}'],
  fields: [
    oneOf(
      'method',
      'test',
      testMethods.map(({ name }) => name),
    ),
    {
      key: 'tubes',
      label: 'tubes',
      kind: 'rows',
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
        { key: 'what', label: 'holds', kind: 'text', offers: 'substances' },
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
    },
  ],
  suggest: (context) => ({
    method: testMethods[0]!.name,
    tubes: [
      { holds: 'sample', what: mainSubstance(context.plan)?.name ?? 'sample', expect: 'negative' },
      { holds: 'control', what: 'something known to answer', expect: 'positive' },
      { holds: 'blank', what: 'reagent alone', expect: 'negative' },
    ],
  }),
  report: (_context, filled) => {
    const method = testMethodOf(word(filled, 'method'))
    const lacks = panelLacks(tubesOf(filled))
    return {
      facts: [
        fact('drops', method.reagent, method.drops, method.drops === 1 ? 'drop' : 'drops', 0, { atBench: true }),
        fact('watch', 'watch for', method.watchMin, 'min', 0, {
          how: 'one stopwatch to each tube, started together',
          atBench: true,
        }),
      ],
      advice: [
        {
          id: 'sign',
          level: 'open',
          words: `Positive: ${method.sign}. It says that ${method.shows} is there, not that the sample is pure.`,
        },
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
}
