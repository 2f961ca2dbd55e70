import type { Operation } from '../operation'
import { act } from '../made'

export const decant: Operation = {
  name: 'decant',
  past: { of: 'it', did: 'decanted' },
  danger: '',
  make: act('Decant', 'Let it settle, then pour the liquid off what lies at the bottom.', 5),
}
