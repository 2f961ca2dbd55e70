import type { Operation } from '../operation'
import { act } from '../made'

export const drySolution: Operation = {
  name: 'dry the solution',
  past: { of: 'it', did: 'dried', more: '[ over {lines}]' },
  danger: '',
  make: act('Dry', 'Add drying agent in portions and swirl.', 4, {
    waitMin: 10,
    until: 'when some of it moves freely and the liquid is clear',
  }),
  scales: { volumeML: 'as the amounts', dropletsML: 'as the amounts' },
}
