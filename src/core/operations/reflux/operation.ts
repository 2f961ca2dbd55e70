import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { taking } from '../taken'
import { times } from '../made'

export const reflux: Operation = {
  name: 'heat under reflux',
  past: { of: 'the mixture', did: 'heated under reflux', more: '[ for {@holdMin}]' },
  danger: 'Boiling chips go into the cold liquid, never into the hot. Water runs before heat is on.',
  make: (base) => ({
    ...base,
    kind: 'reflux',
    holdMin: 30,
    text: asWords('Heat until the first drops fall back steadily, then hold.'),
    until: asWords('from the onset of reflux'),
    ...times(8, 30),
  }),
  heats: 'under a condenser',
  besides: ['temperature', 'heater'],
  measures: 'reflux clock',
  ceiling: 'highC',
  takes: [taking('reflux condenser'), taking('heater'), taking('boiling chips', 2)],
}
