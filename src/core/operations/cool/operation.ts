import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const cool: Operation = {
  name: 'cool',
  past: { of: 'it', did: 'cooled', more: '[ in {bath}][ to below {toC}]' },
  danger: '',
  make: (base) => ({
    ...base,
    kind: 'hold',
    verb: 'Cool',
    holdMin: 10,
    text: asWords('Stand the flask in ice.'),
    ...times(2, 10),
  }),
  slowsWithScale: true,
  besides: ['temperature', 'heater'],
  scales: { minutes: 'as the time of cooling', triedML: 'as the amounts' },
}
