import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const sublime: Operation = {
  name: 'sublime',
  past: { of: 'it', did: 'sublimed' },
  danger: 'Glass under vacuum can burst: look at it first, and keep the sash between.',
  make: act('Sublimed', 'Heat gently until no more collects on the cold finger; let it cool before air is let in.', 15, {
    waitMin: 15,
  }),
  heats: 'open',
  besides: ['pressure'],
  leavesProduct: true,
  watched: true,
  takes: [taking('cold finger'), taking('heater')],
}
