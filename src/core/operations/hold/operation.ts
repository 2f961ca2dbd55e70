import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const hold: Operation = {
  name: 'hold',
  past: { of: 'it', did: 'left', more: '[ for {@holdMin}]' },
  says: ['Leave it for {@holdMin}.'],
  danger: '',
  make: (base) => ({
    ...base,
    kind: 'hold',
    verb: 'Wait',
    holdMin: 15,
    text: asWords('Leave it for the time given.'),
    ...times(1, 15),
  }),
  besides: ['temperature', 'heater'],
}
