import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times, lastSample } from '../made'

export const dry: Operation = {
  name: 'dry the solid',
  past: { of: 'the product', did: 'dried', more: '[ at {ovenC}]' },
  danger: '',
  make: (base, plan) => ({
    ...base,
    kind: 'dry',
    sample: lastSample(plan),
    container: 'watch glass',
    device: 'balance-0.01',
    agreement: 0.005,
    text: asWords('Dry below the melting point; cool and weigh until two weighings agree.'),
    until: asWords('when two weighings agree'),
    ...times(8, 25),
  }),
  leavesProduct: true,
  scales: { 'weighings.massG': 'as the amounts' },
  measures: 'constant mass',
  station: 'oven place',
}
