import { blank, list, named, anySubstance, oneOf, type Blanks } from '../fields'

const soluteColumns = [anySubstance('name', 'substance'), blank('K', 'K', '', 0, 1e8)] as const

/** The blanks of every step in which two layers are shaken. */
export const shaking = [
  blank('portions', 'portions', '', 1, 20),
  blank('portionML', 'volume of a portion', 'mL', 0.1, 5000),
  named('into', 'flask it is drawn into'),
  named('layer', 'layer that is shaken'),
  oneOf('salt', 'salt in the water', [
    ['none', 'none is added'],
    ['saturated', 'sodium chloride till no more dissolves'],
  ]),
  blank('setschenow', 'Setschenow constant', 'L/mol', 0, 1),
  blank('wantedPercent', 'wanted', '%', 1, 99.99),
  list('solutes', 'partition coefficients, organic over water', {
    columns: soluteColumns,
    add: 'Write another K',
    fresh: { name: '', K: 10 },
  }),
] as const

export type ShakingBlanks = Blanks<typeof shaking>
