import type { Operation } from '../operation'
import { act } from '../made'

export const add: Operation = {
  name: 'add',
  past: { of: 'lines', did: 'added', more: '[ over {minutes}][, kept below {ceilingC}]' },
  danger: 'Too fast an addition runs away: watch the temperature.',
  make: act('Add', 'Add in portions.', 8),
  slowsWithScale: true,
  besides: ['temperature'],
  scales: { volumeML: 'as the amounts', minutes: 'as the time of cooling', mmol: 'as the amounts' },
  ceiling: 'ceilingC',
  final: 'goes in',
}
