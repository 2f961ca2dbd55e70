import type { Operation } from '../operation'
import { act } from '../made'

export const dilute: Operation = {
  name: 'dilute',
  past: { of: 'it', did: 'diluted', more: '[ to {toMolPerL}]' },
  danger: 'Acid into water, never water into acid.',
  make: act('Dilute', 'Measure it into part of the solvent, fill up and mix.', 5),
  scales: { toML: 'as the amounts' },
}
