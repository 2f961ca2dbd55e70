import type { Operation } from '../operation'
import { act } from '../made'

export const pour: Operation = {
  name: 'pour over',
  past: { of: 'it', did: 'poured', more: '[ into {lines}]' },
  danger: '',
  make: act('Pour', 'Pour into the other vessel.', 4),
  final: 'goes in',
}
