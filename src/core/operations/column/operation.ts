import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const column: Operation = {
  name: 'column',
  past: { of: 'it', did: 'purified on a column', more: '[ with {lines}]' },
  danger: 'Dry silica harms the lungs: in the hood until it is wet.',
  make: act('Column is done', 'Fill the column wet and without gaps, never let it run dry, and collect in numbered tubes.', 45),
  leavesProduct: true,
  takes: [taking('chromatography column'), taking('test tubes', 20), taking('cotton wool')],
}
