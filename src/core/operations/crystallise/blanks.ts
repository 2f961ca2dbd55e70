import { blank, list, substanceNamed, oneOf, type Blanks } from '../fields'

/** The blanks of a crystallisation. */
export const fields = [
  blank('soluteG', 'crude', 'g', 0.001, 5000),
  oneOf('way', 'how much solvent', [
    ['table', 'as the table has it'],
    ['curve', 'from the curve'],
    ['factor', 'from the factor'],
    ['portions', 'in portions'],
    ['own', 'by our own figure'],
  ]),
  blank('volumeML', 'hot solvent', 'mL', 0.1, 20_000),
  blank('hotC', 'hot', '°C', -20, 200),
  blank('hotS', 'solubility hot', 'g', 0, 500, 'an unknown number of'),
  blank('coldC', 'cold', '°C', -40, 60),
  blank('coldS', 'solubility cold', 'g', 0, 300, 'an unknown number of'),
  oneOf('hotFiltration', 'hot filtration', [
    ['no', 'no'],
    ['yes', 'yes'],
  ]),
  blank('perG', 'factor', 'mL', 0, 1000, 'an unknown number of'),
  blank('rinseML', 'rinse', 'mL', 0, 1000),
  blank('impurityPercent', 'impurity', '%', 0, 100),
  blank('impurityS', 'solubility of the impurity', 'g', 0, 300, 'an unknown number of'),
  blank('antiML', 'antisolvent', 'mL', 0, 20_000, 'no'),
  blank('antiS', 'solubility in the antisolvent', 'g', 0, 300, 'an unknown number of'),
  blank('secondML', 'boil the liquor down to', 'mL', 0, 20_000),
  list('tried', 'solvents tried', {
    columns: [
      substanceNamed('solvent', 'solvent', 'solvents'),
      blank('cold', 'holds cold', '', 0, 500),
      blank('hot', 'holds hot', '', 0, 500),
    ],
    add: 'Write down a solvent that was tried',
    fresh: { solvent: '', cold: 0, hot: 0 },
  }),
] as const

export type CrystalliseBlanks = Blanks<typeof fields>
