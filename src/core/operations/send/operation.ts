import type { Operation } from '../operation'
import { act } from '../made'

export const send: Operation = {
  name: 'send a sample',
  danger: '',
  make: act('Send', 'Label a vial with group, sample and date, and note its slot.', 5, { says: ['slot-noted'] }),
  asks: ['slot-noted'],
  measures: 'slot',
}
