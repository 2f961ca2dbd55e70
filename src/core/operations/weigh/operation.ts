import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const weigh: Operation = {
  name: 'weigh',
  says: ['Weigh all of {@sample} on {@device}, in {@container}; it is {@dry}.'],
  danger: '',
  make: (base) => ({
    ...base,
    kind: 'weigh',
    sample: 'crude',
    container: 'watch glass',
    device: 'balance-0.01',
    dry: false,
    text: asWords('Weigh all of it.'),
    ...times(5),
  }),
  leavesProduct: true,
  measures: 'mass',
  station: 'balance',
}
