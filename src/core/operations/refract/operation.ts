import type { Operation } from '../operation'
import { act } from '../made'

export const refract: Operation = {
  name: 'refractive index',
  danger: '',
  make: act(
    'Index is read',
    'One drop on the clean prism; read the index and the temperature of the prism. Clean it with a soft tissue.',
    5,
  ),
  measures: 'refractive index',
  station: 'refractometer',
  meanwhile: 'measures a sample',
}
