import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const boil: Operation = {
  name: 'boiling range',
  danger: 'Hot liquid: a chip first, and never to dryness.',
  make: act(
    'Boiling range is read',
    'Heat slowly until the ring of vapour stands at the thermometer, and read where it begins and where it ends.',
    15,
  ),
  heats: 'open',
  measures: 'boiling range',
  meanwhile: 'measures a sample',
  takes: [taking('thermometer'), taking('boiling chips'), taking('capillaries')],
}
