import type { Operation } from '../operation'
import { act } from '../made'

export const rinse: Operation = {
  name: 'rinse',
  past: { of: 'it', did: 'rinsed', more: '[ with {lines}]', thenAgain: true },
  danger: '',
  make: act('Rinse', 'Rinse in small portions.', 4),
}
