import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { times } from '../made'

export const safety: Operation = {
  name: 'read the safety sheet',
  danger: '',
  make: (base) => ({
    ...base,
    kind: 'safety',
    text: asWords('Read what can hurt you today, all of the group, before anything is opened.'),
    ...times(5),
  }),
  place: 'first',
  measures: 'understood',
}
