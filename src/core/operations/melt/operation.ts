import { asWords } from '../../words/words'
import type { Operation } from '../operation'
import { taking } from '../taken'
import { times, lastSample } from '../made'

export const melt: Operation = {
  name: 'melt',
  danger: 'The block is hot enough to burn.',
  make: (base, plan) => ({
    ...base,
    kind: 'melt',
    sample: lastSample(plan),
    device: 'melting-0.1',
    text: asWords('Pack 2–3 mm in a capillary. Heat fast to 20 °C below, then 1–2 °C a minute.'),
    says: ['heated-slowly'],
    ...times(15),
  }),
  asks: ['heated-slowly'],
  leavesProduct: true,
  measures: 'melting range',
  station: 'melting-point apparatus',
  meanwhile: 'measures a sample',
  takes: [taking('capillaries', 3)],
}
