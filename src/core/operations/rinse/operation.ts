import type { Operation } from '../operation'
import { act } from '../made'

export const rinse: Operation = {
  name: 'rinse',
  past: 'it was rinsed[ with {lines}]',
  danger: '',
  make: act('Rinse', 'Rinse in small portions.', 4),
}
