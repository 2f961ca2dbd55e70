import { defaultLab, type Lab } from '@/core/lab/lab'
import type { WasteStream } from '@/core/substance/lists'

const waste = (...kinds: [WasteStream, string, number][]) => kinds.map(([stream, place, sizeL]) => ({ stream, place, sizeL }))
const stations = (balances: number, apparatus: number) => [
  { name: 'balance', count: balances },
  { name: 'melting-point apparatus', count: apparatus },
  { name: 'oven place', count: 12 },
  { name: 'refractometer', count: 1 },
  { name: 'signature', count: 1 },
]

/** Two rooms: the larger has two apparatus for melting, the other one. */
const rooms: Lab['rooms'] = [
  {
    name: 'North lab',
    stations: stations(3, 2),
    waste: waste(
      ['aqueous acid or base', 'hood 1, left', 5],
      ['aqueous, harmless', 'hood 1, left', 5],
      ['other organic', 'hood 1, right', 5],
      ['halogenated organic', 'hood 2, right', 2.5],
      ['oxidiser', 'hood 2, left', 2.5],
      ['solid', 'under hood 2', 5],
    ),
  },
  {
    name: 'South lab',
    stations: stations(2, 1),
    waste: waste(['aqueous acid or base', 'hood A', 5], ['other organic', 'hood A', 5], ['solid', 'beside the door', 5]),
  },
]

/** The made-up college lies a little above the sea; its second apparatus reads high, more so the hotter. */
export const laboratory: Lab = {
  ...defaultLab,
  pressure: { by: 'kPa', value: 99.4 },
  emergency: {
    number: 'house telephone 4400',
    eyewash: 'at the sink by the door of each lab',
    firstAid: 'green cabinet beside the preparation room',
  },
  instruments: [
    {
      id: 'apparatus-1',
      name: 'Apparatus 1',
      checkedOn: '2026-09-14',
      standards: [
        { name: 'vanillin', trueC: 82.0, readC: 82.2 },
        { name: 'benzoic acid', trueC: 122.4, readC: 122.7 },
        { name: 'salicylic acid', trueC: 159.0, readC: 159.2 },
      ],
    },
    {
      id: 'apparatus-2',
      name: 'Apparatus 2',
      checkedOn: '2026-09-14',
      standards: [
        { name: 'vanillin', trueC: 82.0, readC: 83.1 },
        { name: 'benzoic acid', trueC: 122.4, readC: 124.3 },
        { name: 'salicylic acid', trueC: 159.0, readC: 161.4 },
      ],
    },
  ],
  rooms,
}
