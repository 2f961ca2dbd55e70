import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const part: Operation = {
  name: 'part the layers',
  past: { of: 'the mixture', did: 'parted in a separating funnel' },
  danger: 'Pressure builds up in the funnel: vent it before it stands.',
  make: act('Part', 'Let the layers part, draw the lower one off into a named flask. Keep both.', 6, {
    until: 'when the layers have parted',
  }),
  asks: ['layer-discarded'],
  takes: [taking('separating funnel')],
}
