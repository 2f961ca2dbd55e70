import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const distil: Operation = {
  name: 'distil',
  past: { of: 'it', did: 'distilled', more: '[ and what came over between {lowC} and {highC} was collected]' },
  danger: 'Chips before heat, open at the receiver, and never to dryness.',
  make: act('Distil', 'Distil at one or two drops a second into tared receivers; note first and last drop.', 25, {
    waitMin: 10,
    until: 'when the temperature leaves its window, and before the flask is dry',
    says: ['stops-before-dry'],
  }),
  asks: ['stops-before-dry'],
  heats: 'under a condenser',
  leavesProduct: true,
  measures: 'head',
  besides: ['heater', 'pressure'],
  scales: { 'components.mmol': 'as the amounts', stopML: 'as the amounts' },
  final: 'is driven off',
  watched: true,
  takes: [taking('distillation head with condenser'), taking('thermometer'), taking('heater'), taking('boiling chips', 2)],
}
