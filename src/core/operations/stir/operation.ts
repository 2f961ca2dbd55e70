import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const stir: Operation = {
  name: 'stir',
  past: { of: 'it', did: 'stirred', more: '[ for {@holdMin}]' },
  says: ['Stir for {@holdMin}.'],
  danger: '',
  make: (base) => ({ ...base, kind: 'hold', verb: 'Stir', holdMin: 10, text: asWords('Stir.'), ...times(2, 10) }),
  besides: ['temperature', 'heater'],
}
