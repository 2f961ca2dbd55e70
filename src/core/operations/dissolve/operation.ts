import type { Operation } from '../operation'
import { act } from '../made'

export const dissolve: Operation = {
  name: 'dissolve',
  past: { of: 'it', did: 'dissolved', more: '[ in {lines}]' },
  danger: '',
  make: act('Dissolve', 'Swirl until the last of the solid has gone.', 5, { until: 'when no solid is left' }),
}
