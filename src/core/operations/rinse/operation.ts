import type { Operation } from '../operation'
import { act } from '../made'

export const rinse: Operation = {
  name: 'rinse',
  danger: '',
  make: act('Rinse', 'Rinse in small portions.', 4),
}
