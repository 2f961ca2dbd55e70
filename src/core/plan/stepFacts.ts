/**
 * What a step makes sure of, or what happens in it, besides its figures: a few facts that the author ticks. The rules ask these and never the words of a step.
 */
export const stepFacts = {
  'water-runs': 'water runs through the condenser',
  'open-to-air': 'the apparatus is open to the air at one place',
  'chips-or-stirrer': 'chips or a stirrer are in the cold flask',
  vented: 'the funnel is vented',
  'layer-discarded': 'a layer is thrown away here',
  'gas-comes': 'gas or fumes come off',
  'cooled-by-itself': 'it cools by itself first, undisturbed',
  'heated-slowly': 'near the melting point it is heated by 1 to 2 °C a minute',
  'stops-before-dry': 'it is stopped before the flask is dry',
  'slot-noted': 'the slot of the sample is written down',
} as const

export type StepFact = keyof typeof stepFacts

export const stepFactKeys = Object.keys(stepFacts) as StepFact[]
