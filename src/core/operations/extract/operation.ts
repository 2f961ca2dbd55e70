import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const extract: Operation = {
  name: 'extract',
  past: { of: 'it', did: 'extracted', more: '[ with {lines}][ in {portions} portions]', thenAgain: true },
  danger: 'Pressure builds up in the funnel: vent it often, pointed away from people.',
  make: act('Extract', 'Shake, vent, let the layers part. Keep both layers, in named flasks.', 10, {
    says: ['vented'],
    until: 'when the layers have parted',
  }),
  asks: ['vented', 'layer-discarded'],
  shakes: true,
  meetsAcidOrBase: true,
  meant: ['drowns'],
  scales: { portionML: 'as the amounts' },
  takes: [taking('separating funnel')],
}
