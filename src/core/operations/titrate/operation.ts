import type { Operation } from '../operation'
import { taking } from '../taken'
import { act } from '../made'

export const titrate: Operation = {
  name: 'titrate',
  past: { of: 'it', did: 'titrated', more: '[ with {lines}]' },
  danger: 'Fill the burette below eye height, over a beaker.',
  make: act(
    'No further titration',
    'Read the burette, run it in with swirling until the colour stays, read it again. Repeat until two agree.',
    20,
  ),
  measures: 'titre',
  takes: [taking('burette and stand')],
}
