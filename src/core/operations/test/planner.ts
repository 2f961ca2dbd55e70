import { taking } from '../taken'
import { mainSubstance } from '../../plan/plan'
import { capital } from '../../words/capital'
import { expectedOf, ownTest, panelLacks, testMethodOf, testMethods, type TestMethod, type Tube } from './testPanel'
import { fact, planner, unknown, usual, when } from '../planner'
import { blank, list, named, oneOf, type Blanks } from '../fields'

const fields = [
  oneOf('method', 'test', [...testMethods.map(({ name }) => [name, name] as const), [ownTest, 'a test of our own'] as const]),
  named('ownName', 'what the test is called'),
  named('ownReagent', 'reagent', 'substances'),
  blank('ownDrops', 'drops of it', '', 0, 200, 'an unsaid number of'),
  named('ownSign', 'the sign'),
  named('ownControl', 'what is known to answer', 'substances'),
  named('ownProves', 'what it proves'),
  named('ownNot', 'what it does not prove'),
  named('ownHeed', 'what must be heeded'),
  blank('ownWatchMin', 'watch for', 'min', 0.5, 600),
  oneOf('ownWarm', 'what did nothing cold', [
    ['no', 'is left cold'],
    ['yes', 'is warmed once'],
  ]),
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

/** The test of a step: one of those on record, or the one that its author has written. */
export function methodIn(filled: TestBlanks): TestMethod {
  if (filled.method !== ownTest) return testMethodOf(filled.method)
  return {
    name: filled.ownName || 'a test of our own',
    shows: filled.ownProves,
    reagent: filled.ownReagent || 'a reagent that nobody has named',
    drops: filled.ownDrops,
    sign: filled.ownSign || 'a sign that nobody has described',
    control: filled.ownControl,
    proves: filled.ownProves,
    provesNot: filled.ownNot,
    ...(filled.ownHeed ? { heed: filled.ownHeed } : {}),
    watchMin: filled.ownWatchMin,
    warm: filled.ownWarm === 'yes',
  }
}

/** What the author of a test has not said yet, without which nothing can be read from it. */
function unsaid({ method, ownReagent, ownSign, ownControl, ownProves, ownNot }: TestBlanks): string[] {
  if (method !== ownTest) return []
  return [
    [ownReagent, 'its reagent'],
    [ownSign, 'the sign to look for'],
    [ownControl, 'what is known to answer it'],
    [ownProves, 'what it proves'],
    [ownNot, 'what it does not prove'],
  ].flatMap(([value, words]) => (value === '' ? [words!] : []))
}

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

const unsaidText = (words: string) => unknown('', `nobody has said ${words}`)

/** What stands in the blanks of a test of one's own before anything is typed. */
const unsaidOwn = {
  ownName: unsaidText('what it is called'),
  ownReagent: unsaidText('what goes in'),
  ownDrops: unknown(0, 'nobody has said how much goes in'),
  ownSign: unsaidText('what is seen'),
  ownControl: unsaidText('what answers it'),
  ownProves: unsaidText('what it proves'),
  ownNot: unsaidText('what it does not prove'),
  ownHeed: unsaidText('what must be heeded'),
  ownWatchMin: usual(5, 'as long as most tests'),
  ownWarm: usual('no' as const, 'most tests are read cold'),
}

/** Tests in tubes: sample, positive control and blank, with the sign to look for and a stopwatch for each. */
export const testing = planner({
  of: 'test',
  title: 'Tests',
  sentences: (say, { method }) => [
    say`The test with ${'method'}, in these tubes: ${'tubes'}`,
    ...(method === ownTest
      ? [
          say`It is called ${'ownName'}: ${'ownDrops'} drops of ${'ownReagent'}; positive is ${'ownSign'}, within ${'ownWatchMin'}; what did nothing ${'ownWarm'}.`,
          say`It proves ${'ownProves'}, and does not prove ${'ownNot'}. Known to answer is ${'ownControl'}. To be heeded: ${'ownHeed'}.`,
        ]
      : []),
  ],
  fields,
  doubts: { unsaid: 'A test of one’s own lacks something' },
  suggest: (context, typed) => {
    const method = testMethods.find(({ name }) => name === typed.method)
    const sample = mainSubstance(context.plan)
    const expect = expectedOf(typed.method === ownTest ? {} : (method ?? testMethods[0]!), sample)
    return {
      ...(typed.method === ownTest ? unsaidOwn : {}),
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
  takes: (_context, { tubes }) => [taking('test tubes', tubes.length, { from: 'plan' })],
  report: (_context, filled) => {
    const method = methodIn(filled)
    const missing = unsaid(filled)
    const lacks = panelLacks(tubesOf(filled))
    return {
      facts: [
        ...(method.drops > 0
          ? [fact('recipe', method.reagent, method.drops, method.drops === 1 ? 'drop' : 'drops', 0, { atBench: true })]
          : []),
        fact('watch', 'watch for', method.watchMin, 'min', 0, {
          how: 'one stopwatch to each tube, started together',
          atBench: true,
        }),
      ],
      advice: [
        {
          id: 'sign',
          level: 'open',
          words: `Positive: ${method.sign}. ${method.proves === '' ? 'Nobody has said what that proves' : `It says that ${method.proves} is there, not that the sample is pure`}.`,
          ...(method.provesNot === '' ? {} : { why: `it does not say ${method.provesNot}` }),
        },
        ...when(
          method.control !== '',
          'control',
          'open',
          `${capital(method.control)} is known to answer: take it as the control.`,
        ),
        ...when(
          missing.length > 0,
          'unsaid',
          'doubt',
          `A test of one’s own is read by what is said of it. Still to be said: ${missing.join(', ')}.`,
        ),
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
