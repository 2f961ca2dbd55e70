import type { Operation } from '../operation'
import { act } from '../made'

export const evaporate: Operation = {
  name: 'evaporate',
  past: { of: 'the solvent', did: 'evaporated', more: '[ from a bath at {bathC}]' },
  danger: 'Never to dryness where peroxides may be; no flame near vapour.',
  make: act('Evaporate', 'Take off the solvent from a tared flask; keep the solvent.', 10, {
    waitMin: 10,
    until: 'when the mass no longer falls',
  }),
  heats: 'open',
  besides: ['pressure'],
  leavesProduct: true,
  ceiling: 'bathC',
  final: 'is driven off',
  station: 'rotary evaporator',
  watched: true,
}
