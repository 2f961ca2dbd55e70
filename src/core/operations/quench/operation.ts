import type { Operation } from '../operation'
import { act } from '../made'

export const quench: Operation = {
  name: 'quench',
  past: { of: 'it', did: 'quenched', more: '[ with {lines}]', thenAgain: true },
  danger: 'Acid into water, never the reverse; slowly, cold, and watch the gas.',
  make: act('Quench', 'Pour slowly, in portions, with stirring and cooling.', 8, { until: 'when no more gas comes' }),
  slowsWithScale: true,
  meetsAcidOrBase: true,
  meant: ['destroys', 'drowns'],
  besides: ['temperature'],
  scales: { mmol: 'as the amounts', plannedML: 'as the amounts' },
  final: 'goes in',
}
