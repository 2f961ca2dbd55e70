/** One tube of a panel of tests. */
export interface Tube {
  /** What is in it: the sample, something known to answer, or nothing but the reagent. */
  holds: 'sample' | 'control' | 'blank'
  /** Name of the sample or the control. */
  what: string
  /** What should be seen. */
  expect: 'positive' | 'negative'
}

/** A test on record: what it shows, its reagent, and the sign. */
export interface TestMethod {
  name: string
  shows: string
  reagent: string
  drops: number
  sign: string
  /** Watch it this long cold, min; what did nothing is warmed once. */
  watchMin: number
  warm: boolean
}

/** The tests of a first teaching course (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 9). */
export const testMethods: readonly TestMethod[] = [
  {
    name: 'litmus',
    shows: 'acid or base',
    reagent: 'litmus paper',
    drops: 1,
    sign: 'red in acid, blue in base',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'gas with bicarbonate',
    shows: 'carboxylic acid',
    reagent: '5 % sodium bicarbonate',
    drops: 20,
    sign: 'bubbles',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'permanganate',
    shows: 'unsaturation, or what is easily oxidised',
    reagent: '1 % potassium permanganate',
    drops: 3,
    sign: 'purple goes, brown comes',
    watchMin: 2,
    warm: false,
  },
  {
    name: 'silver nitrate in ethanol',
    shows: 'reactive halide',
    reagent: '2 % silver nitrate in ethanol',
    drops: 20,
    sign: 'precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: '2,4-dinitrophenylhydrazine',
    shows: 'aldehyde or ketone',
    reagent: '2,4-dinitrophenylhydrazine in acid',
    drops: 20,
    sign: 'yellow to red precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'iodoform',
    shows: 'methyl ketone, or alcohol that oxidises to one',
    reagent: 'iodine in potassium iodide, then 10 % sodium hydroxide',
    drops: 20,
    sign: 'pale yellow precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'cerium(IV) nitrate',
    shows: 'alcohol',
    reagent: 'ammonium cerium(IV) nitrate in nitric acid',
    drops: 5,
    sign: 'yellow turns red',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'iron(III) chloride',
    shows: 'phenol or enol',
    reagent: '1 % iron(III) chloride',
    drops: 3,
    sign: 'violet, blue or green',
    watchMin: 1,
    warm: false,
  },
]

/** The method of that name. @throws when there is none */
export function testMethodOf(name: string): TestMethod {
  const found = testMethods.find((each) => each.name === name)
  if (!found) throw new Error(`“${name}” is none of the tests on record.`)
  return found
}

/** A panel for one test: each sample, a positive control and a blank, in that order; without the last two nothing can be read from the first. */
export function panelFor(samples: readonly { what: string; expect: Tube['expect'] }[], control: string): Tube[] {
  return [
    ...samples.map((sample): Tube => ({ holds: 'sample', ...sample })),
    { holds: 'control', what: control, expect: 'positive' },
    { holds: 'blank', what: 'reagent alone', expect: 'negative' },
  ]
}

/** What a panel lacks before its samples can be read. */
export function panelLacks(tubes: readonly Tube[]): string[] {
  return [
    ...(tubes.some(({ holds }) => holds === 'sample') ? [] : ['a sample']),
    ...(tubes.some(({ holds }) => holds === 'control')
      ? []
      : ['a positive control: a reagent that has died looks like a negative sample']),
    ...(tubes.some(({ holds }) => holds === 'blank') ? [] : ['a blank: a reagent that is spoilt looks like a positive sample']),
  ]
}
