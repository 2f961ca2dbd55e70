import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { taking } from '../taken'
import { times } from '../made'

export const heat: Operation = {
  name: 'heat and hold',
  past: { of: 'it', did: 'held', more: '[ between {lowC} and {highC}][ for {@holdMin}]' },
  danger: 'A closed flask that is heated bursts: it stays open, or has a condenser on.',
  make: (base) => ({
    ...base,
    kind: 'hold',
    verb: 'Heat',
    holdMin: 30,
    text: asWords('Hold in a warm-water bath at 50 to 60 °C.'),
    ...times(4, 30),
  }),
  heats: 'open',
  besides: ['temperature', 'heater'],
  ceiling: 'highC',
  takes: [taking('heater')],
}
