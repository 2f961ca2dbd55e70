import { stemFactor } from './thermometer'
import { blank, list, substanceNamed, oneOf, type Blanks } from '../fields'

const constant = <const I extends 1 | 2 | 3, const J extends 1 | 2 | 3>(i: I, j: J) =>
  blank(`A${i}${j}` as `A${I}${J}`, `constant ${i}–${j}`, '', -20, 20)

/** The blanks of a distillation. */
export const fields = [
  list('components', 'components', {
    columns: [substanceNamed('name', 'substance'), blank('mmol', 'mmol', '', 0, 1e6)],
    add: 'Add a component',
    fresh: { name: '', mmol: 10 },
  }),
  blank('stages', 'stages above the pot', '', 0, 40),
  blank('reflux', 'reflux ratio', '', 0, 100),
  blank('holdUpML', 'hold-up', 'mL', 0, 500),
  blank('mmHg', 'pressure', 'mmHg', 0.5, 900),
  oneOf('model', 'liquid', [
    ['ideal', 'ideal'],
    ['van Laar', 'van Laar’s'],
    ['Wilson', 'Wilson’s, Λ'],
    ['NRTL', 'NRTL, τ'],
  ]),
  constant(1, 2),
  constant(2, 1),
  constant(1, 3),
  constant(3, 1),
  constant(2, 3),
  constant(3, 2),
  blank('alpha', 'α of NRTL', '', 0.05, 0.6),
  blank('stopML', 'left at the end', 'mL', 0, 5000),
  blank('potML', 'flask', 'mL', 5, 20_000),
  substanceNamed('wantedOf', 'fraction wanted'),
  blank('lowC', 'from', '°C', -50, 400),
  blank('highC', 'to', '°C', -50, 400),
  oneOf('filling', 'thermometer', Object.keys(stemFactor)),
  blank('stemK', 'stem outside', 'K', 0, 300),
  blank('lagK', 'lag', 'K', 0, 20),
] as const

export type DistilBlanks = Blanks<typeof fields>
