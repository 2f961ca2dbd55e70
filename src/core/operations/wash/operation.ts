import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const wash: Operation = {
  name: 'wash',
  past: { of: 'the organic layer', did: 'washed', more: '[ with {lines}][ in {portions} portions]', thenAgain: true },
  danger: 'A closed funnel builds pressure: vent it at once and often, pointed away from people.',
  make: act('Wash', 'Wash the layer with the product. Discard no layer before the product is weighed.', 8, {
    until: 'when the layers have parted',
  }),
  asks: ['vented', 'layer-discarded'],
  shakes: true,
  meetsAcidOrBase: true,
  meant: ['drowns'],
  scales: {
    portionML: 'as the amounts',
    'washes.portionML': 'as the amounts',
  },
  takes: [taking('separating funnel')],
}
