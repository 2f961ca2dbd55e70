import type { Lab } from './lab'

type Choice = 'crystallisationVolume' | 'layersOut' | 'dryingAgent' | 'gas' | 'harmlessWater'

export interface School<K extends Choice = Choice> {
  setting: K
  question: string
  /** The first is the default. */
  ways: { value: Lab[K]; words: string; why: string }[]
}

const school = <K extends Choice>(setting: K, question: string, ways: School<K>['ways']): School<K> => ({
  setting,
  question,
  ways,
})

/** Where good laboratories do it differently: each way with its reason in a line, the default first. */
export const schools: readonly School[] = [
  school('crystallisationVolume', 'How much hot solvent for a crystallisation', [
    {
      value: 'curve',
      words: 'from the solubility curve',
      why: 'it says the loss beforehand; 10 % more than needed keeps it dissolved',
    },
    { value: 'factor', words: 'from the procedure’s mL per gram', why: 'it works where no solubility is on record' },
    {
      value: 'portions',
      words: 'in portions until it just dissolves',
      why: 'it follows the crude product as it is, insoluble matter apart',
    },
  ]),
  school('layersOut', 'How the layers leave the funnel', [
    {
      value: 'top through the top',
      words: 'bottom through the tap, top out at the top',
      why: 'the bore of the tap holds the other layer’s drops',
    },
    {
      value: 'both through the tap',
      words: 'both through the tap',
      why: 'one way to do it, and no pouring; dry longer for the water in the bore',
    },
  ]),
  school('dryingAgent', 'Which drying agent where both will do', [
    { value: 'magnesium sulfate', words: 'magnesium sulfate', why: 'fast and thorough; its fine powder must be filtered off' },
    {
      value: 'sodium sulfate',
      words: 'sodium sulfate',
      why: 'neutral and coarse, so it decants; slower, and it leaves more water behind',
    },
  ]),
  school('gas', 'Where acid or foul gas goes', [
    { value: 'trap', words: 'through a trap', why: 'the hood’s filter and the neighbours get none of it' },
    { value: 'hood', words: 'into the hood’s draught', why: 'less glass, for small amounts where local rules allow it' },
  ]),
  school('harmlessWater', 'Where harmless, neutral water goes', [
    { value: 'container', words: 'into a container', why: 'nothing goes down that was not meant to' },
    { value: 'sink', words: 'into the sink', why: 'less waste to carry, where local rules allow it' },
  ]),
]
