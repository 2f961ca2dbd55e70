import type { Operation } from '../operation'
import { act } from '../made'

export const filter: Operation = {
  name: 'filter',
  past: { of: 'it', did: 'filtered', more: '[ and rinsed with {lines}]' },
  danger: 'A flask with a crack breaks under suction: look at it first.',
  make: act('Filter', 'Filter by suction and rinse with a little cold solvent.', 10, {
    until: 'when no more drops fall and the paper looks dry',
  }),
  scales: { volumeML: 'as the amounts', solidG: 'as the amounts', rinseML: 'as the amounts' },
}
