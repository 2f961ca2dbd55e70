import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { taking } from '../taken'
import { times, firstLine } from '../made'

export const crystallise: Operation = {
  name: 'crystallise',
  past: { of: 'the crude product', did: 'recrystallised', more: '[ from {lines}]' },
  danger: 'Hot solvent burns, and most of it catches fire: no flame.',
  make: (base, plan) => ({
    ...base,
    kind: 'crystallise',
    from: 'crude',
    to: 'purified',
    solvent: (plan.lines.findLast(({ role }) => role === 'solvent') ?? firstLine(plan)).id,
    device: 'cylinder-100',
    text: asWords('Add hot solvent in portions until the solid just dissolves. Leave to cool undisturbed, then in ice.'),
    until: asWords('when it is cold and full of crystals'),
    says: ['cooled-by-itself'],
    ...times(15, 25),
  }),
  asks: ['cooled-by-itself'],
  heats: 'open',
  leavesProduct: true,
  scales: {
    soluteG: 'as the amounts',
    volumeML: 'as the amounts',
    rinseML: 'as the amounts',
    antiML: 'as the amounts',
    secondML: 'as the amounts',
  },
  measures: 'hot solvent',
  takes: [taking('heater')],
}
