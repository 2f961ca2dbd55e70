import type { Operation } from '../operation'
import { act } from '../made'

export const test: Operation = {
  name: 'test',
  danger: '',
  make: act('Test', 'Run the test beside a positive control and a blank.', 10),
  meant: ['tests'],
  measures: 'tubes',
}
