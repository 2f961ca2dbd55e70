import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const assemble: Operation = {
  name: 'assemble',
  danger: 'A closed system bursts: it stays open at one place, always.',
  make: (base) => ({
    ...base,
    kind: 'assemble',
    text: asWords(''),
    checks: ['Flask clamped at the neck', 'Open to the air at one place'],
    says: ['open-to-air'],
    ...times(10),
  }),
  asks: ['water-runs', 'open-to-air', 'chips-or-stirrer'],
  setsUp: true,
  measures: 'checked',
}
