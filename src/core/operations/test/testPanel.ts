import type { FunctionalGroup } from '../../substance/lists'
import { shapesIn } from '../../substance/shapes'
import type { Substance } from '../../substance/substance'

/** One tube of a panel of tests. */
export interface Tube {
  /** What is in it: the sample, something known to answer, or nothing but the reagent. */
  holds: 'sample' | 'control' | 'blank'
  /** Name of the sample or the control. */
  what: string
  /** What should be seen. */
  expect: 'positive' | 'negative'
}

/** A group as a test sees it: one of those that decide the work-up, or an alkene. */
export type Answers = FunctionalGroup | 'alkene'

/** A test on record: what it shows, its reagent, and the sign. */
export interface TestMethod {
  name: string
  shows: string
  reagent: string
  drops: number
  sign: string
  /** What is known to answer it. */
  control: string
  /** What a positive test says, and what it does not. */
  proves: string
  provesNot: string
  /** What must be heeded with its reagent. */
  heed?: string
  /** Groups that answer it, and groups that do not; of all else nothing is expected. */
  answers?: readonly Answers[]
  /** Watch it this long cold, min; what did nothing is warmed once. */
  watchMin: number
  warm: boolean
}

/** The test that a step's author writes, as its choice stands in the plan. */
export const ownTest = 'own'

/** The tests of a first teaching course (Furniss et al., Vogel's Textbook of Practical Organic Chemistry, ch. 9). */
export const testMethods: readonly TestMethod[] = [
  {
    name: 'litmus',
    control: 'acetic acid',
    proves: 'an acid or a base is there',
    provesNot: 'how strong it is, or which',
    shows: 'acid or base',
    reagent: 'litmus paper',
    drops: 1,
    sign: 'red in acid, blue in base',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'gas with bicarbonate',
    answers: ['carboxylic acid'],
    control: 'benzoic acid',
    proves: 'an acid stronger than carbonic acid',
    provesNot: 'that it is a carboxylic acid: sulfonic acids and electron-poor phenols answer too',
    shows: 'carboxylic acid',
    reagent: '5 % sodium bicarbonate',
    drops: 20,
    sign: 'bubbles',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'permanganate',
    answers: ['alkene', 'aldehyde', 'phenol'],
    control: 'cyclohexene',
    proves: 'something that permanganate oxidises cold',
    provesNot: 'that it is an alkene: aldehydes, phenols and amines answer too',
    shows: 'unsaturation, or what is easily oxidised',
    reagent: '1 % potassium permanganate',
    drops: 3,
    sign: 'purple goes, brown comes',
    watchMin: 2,
    warm: false,
  },
  {
    name: 'silver nitrate in ethanol',
    control: 'tert-butyl chloride',
    proves: 'a halide that ionises',
    provesNot: 'that there is no halogen where nothing comes: aryl and vinyl halides do not answer',
    shows: 'reactive halide',
    reagent: '2 % silver nitrate in ethanol',
    drops: 20,
    sign: 'precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: '2,4-dinitrophenylhydrazine',
    answers: ['aldehyde', 'ketone'],
    control: 'benzaldehyde',
    proves: 'an aldehyde or a ketone',
    provesNot: 'which of the two; esters and acids do not answer',
    shows: 'aldehyde or ketone',
    reagent: '2,4-dinitrophenylhydrazine in acid',
    drops: 20,
    sign: 'yellow to red precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'iodoform',
    control: 'acetone',
    proves: 'a methyl ketone, ethanal, ethanol or a methyl carbinol',
    provesNot: 'that there is no other carbonyl group',
    shows: 'methyl ketone, or alcohol that oxidises to one',
    reagent: 'iodine in potassium iodide, then 10 % sodium hydroxide',
    drops: 20,
    sign: 'pale yellow precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'cerium(IV) nitrate',
    answers: ['alcohol'],
    control: 'ethanol',
    proves: 'an alcohol of up to ten carbons',
    provesNot: 'which; phenols give brown or green',
    shows: 'alcohol',
    reagent: 'ammonium cerium(IV) nitrate in nitric acid',
    drops: 5,
    sign: 'yellow turns red',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'iron(III) chloride',
    answers: ['phenol'],
    control: 'phenol',
    proves: 'a phenol or an enol',
    provesNot: 'that there is none where no colour comes: some phenols give none',
    shows: 'phenol or enol',
    reagent: '1 % iron(III) chloride',
    drops: 3,
    sign: 'violet, blue or green',
    watchMin: 1,
    warm: false,
  },
  {
    name: 'bromine water',
    control: 'cyclohexene',
    proves: 'something that takes up or is substituted by bromine fast',
    provesNot: 'that it is an alkene: phenols and aromatic amines answer too, with a precipitate',
    heed: 'Bromine burns and its vapour is poison: hood, gloves, thiosulfate at hand.',
    answers: ['alkene', 'phenol'],
    shows: 'unsaturation, or an activated ring',
    reagent: 'bromine water',
    drops: 5,
    sign: 'orange goes at once',
    watchMin: 2,
    warm: false,
  },
  {
    name: 'sodium iodide in acetone',
    control: '1-bromobutane',
    proves: 'a primary chloride or bromide that is exchanged',
    provesNot: 'that there is no halogen where nothing comes: tertiary, aryl and vinyl halides do not answer',
    heed: 'Acetone catches fire: no flame.',
    shows: 'primary halide',
    reagent: '15 % sodium iodide in acetone',
    drops: 20,
    sign: 'white precipitate',
    watchMin: 3,
    warm: true,
  },
  {
    name: 'zinc chloride in hydrochloric acid',
    control: 'tert-butyl alcohol',
    proves: 'a tertiary alcohol at once, a secondary within five minutes',
    provesNot: 'that there is no alcohol where nothing comes: primary ones do not answer, nor what does not dissolve',
    heed: 'Concentrated acid: hood, goggles, gloves.',
    shows: 'tertiary or secondary alcohol',
    reagent: 'zinc chloride in concentrated hydrochloric acid',
    drops: 20,
    sign: 'cloudy, then two layers',
    watchMin: 5,
    warm: false,
  },
  {
    name: 'ammoniacal silver',
    control: 'D-glucose',
    proves: 'an aldehyde, or a sugar that reduces',
    provesNot: 'that it is an aldehyde: formic acid, hydroxyketones and hydrazines answer too',
    heed: 'Made fresh in the tube and used at once; all of it destroyed with dilute nitric acid within the hour. Standing, it forms fulminating silver, which explodes.',
    answers: ['aldehyde'],
    shows: 'aldehyde',
    reagent: 'silver nitrate with just enough ammonia to dissolve',
    drops: 20,
    sign: 'a mirror, or black',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'alkaline copper citrate',
    control: 'D-glucose',
    proves: 'an aliphatic aldehyde, or a sugar that reduces',
    provesNot: 'that there is no aldehyde where nothing comes: aromatic ones do not answer',
    shows: 'aliphatic aldehyde or reducing sugar',
    reagent: 'copper(II) citrate in sodium carbonate',
    drops: 20,
    sign: 'blue turns to brick-red precipitate',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'ninhydrin',
    control: 'glycine',
    proves: 'an amino acid with a free amino group, or a primary amine',
    provesNot: 'which; proline gives yellow',
    heed: 'It stains the skin: gloves.',
    shows: 'amino acid',
    reagent: '0.2 % ninhydrin in ethanol',
    drops: 5,
    sign: 'violet',
    watchMin: 5,
    warm: true,
  },
  {
    name: 'gas with carbonate',
    control: 'acetic acid',
    proves: 'an acid stronger than hydrogencarbonate',
    provesNot: 'which: phenols with nitro groups answer too',
    answers: ['carboxylic acid'],
    shows: 'acid',
    reagent: '10 % sodium carbonate',
    drops: 20,
    sign: 'bubbles',
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

/** What a substance is expected to do in a test, by its groups; undefined where the test's groups are not on record, or the substance's. */
export function expectedOf(
  { answers }: Pick<TestMethod, 'answers'>,
  substance: Pick<Substance, 'groups' | 'smiles'> | undefined,
): Tube['expect'] | undefined {
  if (!answers || !substance || (substance.groups === undefined && substance.smiles === undefined)) return undefined
  const alkene = shapesIn(substance.smiles).has('alkene')
  const has = (group: Answers) => (group === 'alkene' ? alkene : (substance.groups?.includes(group) ?? false))
  return answers.some(has) ? 'positive' : 'negative'
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
