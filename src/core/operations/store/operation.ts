import type { Operation } from '../operation'
import { act } from '../made'

export const store: Operation = {
  name: 'store',
  danger: '',
  make: act('Store', 'Label with name, group, date and mass, and put it away.', 4),
  place: 'last',
}
