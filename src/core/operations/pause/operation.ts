import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const pause: Operation = {
  name: 'pause',
  says: ['The work goes on {@endsDay}.'],
  danger: '',
  make: (base) => ({
    ...base,
    kind: 'pause',
    text: asWords('A safe place to stop.'),
    meanwhile: asWords('Closed and labelled with group, content and date, where the stores say.'),
    endsDay: true,
    ...times(3),
  }),
}
