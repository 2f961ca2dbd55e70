import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const thinLayer: Operation = {
  name: 'thin layer',
  danger: 'The eluent stays covered in the hood; no eye looks at the ultraviolet lamp.',
  make: act(
    'Plate is read',
    'Spot the sample beside what it is compared with, run the plate, mark the front at once and the spots under the lamp.',
    20,
  ),
  measures: 'spots',
  takes: [taking('thin-layer plate'), taking('developing chamber'), taking('capillaries', 2)],
}
