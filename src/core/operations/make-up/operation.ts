import type { Operation } from '../operation'
import { act } from '../made'

export const makeUp: Operation = {
  name: 'make up a solution',
  past: { of: 'a solution', did: 'made up', more: '[ to {toML}]' },
  danger: '',
  make: act('Make up', 'Dissolve it in part of the solvent, rinse all of it into the flask, fill to the mark and mix well.', 10),
  scales: { toML: 'as the amounts' },
  measures: 'made up',
}
