import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const setPH: Operation = {
  name: 'set pH',
  past: { of: 'it', did: 'brought to a pH', more: '[ of {lowPH}][ with {lines}]' },
  danger: 'Acid and base heat each other: small portions, with stirring, cooled.',
  make: act('It is set', 'Add in small portions with stirring, and read the pH after each.', 8),
  meetsAcidOrBase: true,
  measures: 'pH',
  takes: [taking('indicator paper', 5)],
}
