import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const hold: Operation = {
  name: 'hold',
  past: 'it was left[ for {@holdMin}]',
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
