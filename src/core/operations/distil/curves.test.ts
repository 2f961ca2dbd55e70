/** Distillations over a grid of mixtures and columns, held to what they came to on the day the file beside this was written. */
import path from 'node:path'
import { Kept } from '@/test-support/kept'
import { figureText } from '@/test-support/figureText'
import type { ActivityModel } from '../../matter/activity'
import { batchDistillation } from './batch'
import { headOver } from './column'
import type { Component, Mixture } from '../../matter/equilibrium'
import { byWindow, recoveryAtPurity, usualPurities } from './fractions'
import { inOneRow, readHeads } from './headReadings'
import { steamDistillation } from './steam'
import { corrected, expectedReading, type Filling } from './thermometer'
import { whichDistillation } from './whichDistillation'

const kept = new Kept(path.join(__dirname, 'curves.txt'))
afterAll(() => kept.write())

const cyclohexane: Component = { name: 'cyclohexane', a: 6.8413, b: 1201.53, c: 222.65, gPerMol: 84.16, gPerML: 0.779 }
const toluene: Component = { name: 'toluene', a: 6.95464, b: 1344.8, c: 219.48, gPerMol: 92.14, gPerML: 0.867 }
const octane: Component = { name: 'octane', a: 6.91868, b: 1351.99, c: 209.155, gPerMol: 114.23, gPerML: 0.703 }
const ethanol: Component = { name: 'ethanol', a: 8.1122, b: 1592.864, c: 226.184, gPerMol: 46.07, gPerML: 0.789 }
const water: Component = { name: 'water', a: 8.07131, b: 1730.63, c: 233.426, gPerMol: 18.015, gPerML: 0.998 }
const wilson = (...lambda: number[][]): ActivityModel => ({ kind: 'Wilson', lambda })
const nrtl: ActivityModel = {
  kind: 'NRTL',
  tau: [
    [0, -0.1],
    [1.7, 0],
  ],
  alpha: [
    [0, 0.3],
    [0.3, 0],
  ],
}
const mixtures: Record<string, Mixture> = {
  ideal: { components: [cyclohexane, toluene], model: { kind: 'ideal' }, mmHg: 760 },
  'at 620 mmHg': { components: [cyclohexane, toluene], model: { kind: 'ideal' }, mmHg: 620 },
  'van Laar': { components: [ethanol, water], model: { kind: 'van Laar', A12: 1.6798, A21: 0.9227 }, mmHg: 760 },
  Wilson: { components: [ethanol, water], model: wilson([1, 0.16], [0.8, 1]), mmHg: 760 },
  NRTL: { components: [ethanol, water], model: nrtl, mmHg: 760 },
  three: { components: [cyclohexane, toluene, octane], model: { kind: 'ideal' }, mmHg: 760 },
  'three by Wilson': {
    components: [cyclohexane, toluene, octane],
    model: wilson([1, 0.7, 0.9], [0.8, 1, 0.75], [1.1, 0.85, 1]),
    mmHg: 760,
  },
}
const columns = [
  { stages: 0, reflux: Infinity },
  { stages: 1, reflux: 2 },
  { stages: 4, reflux: Infinity },
  { stages: 7, reflux: 3 },
]

test.each(Object.entries(mixtures))('heads over pots: %s', (name, mixture) => {
  const pots =
    mixture.components.length === 2
      ? [
          [0.9, 0.1],
          [0.5, 0.5],
          [0.02, 0.98],
        ]
      : [
          [0.5, 0.3, 0.2],
          [0.05, 0.05, 0.9],
        ]
  kept.holds(
    `heads ${name}`,
    columns.flatMap((column) =>
      pots.map((pot) => `${column.stages} ${column.reflux} ${pot.join(' ')} ${figureText(headOver(mixture, column, pot), 4)}`),
    ),
  )
})

test.each(Object.entries(mixtures))('a whole distillation: %s', (name, mixture) => {
  const mmol = mixture.components.map((_, index) => 200 - 30 * index)
  const lines = [0, 2.5].flatMap((holdUpML) =>
    columns.flatMap((column) => {
      const curve = batchDistillation(mixture, { ...column, mmol, holdUpML, points: 30, stopML: 3 })
      const middle = (curve.points[4]!.headC + curve.points[20]!.headC) / 2
      return [
        `${column.stages} ${column.reflux} ${holdUpML} ${curve.points.map(({ headC }) => headC.toFixed(1)).join(' ')}`,
        `left ${figureText([curve.left, curve.inColumn, curve.points[11]], 4)}`,
        ...[middle - 40, middle - 2, middle, middle + 40].map(
          (lowC) => `from ${lowC.toFixed(1)} ${figureText(byWindow(curve, lowC, lowC + 4), 4)}`,
        ),
        `cuts ${figureText(recoveryAtPurity(curve, 0, mmol[0]!, usualPurities), 4)}`,
      ]
    }),
  )
  kept.holds(`distillation ${name}`, lines)
})

test('what does not come over is a mistake, and is called one', () => {
  const mixture = mixtures.ideal!
  const charge = { ...columns[0]!, mmol: [10, 10], holdUpML: 0, points: 10 }
  const allML = 10 * (84.16 / 0.779 / 1000 + 92.14 / 0.867 / 1000)
  expect(() => batchDistillation(mixture, { ...charge, stopML: allML })).toThrow(RangeError)
  expect(() => batchDistillation(mixture, { ...charge, stopML: 1, holdUpML: allML + 0.1 })).toThrow(RangeError)
  expect(batchDistillation(mixture, { ...charge, stopML: allML - 0.1 }).points).toHaveLength(11)
})

test('a fine curve is cut where a graduated receiver would show it', () => {
  const mmol = [200, 200]
  const curve = batchDistillation(mixtures.ideal!, { ...columns[2]!, mmol, holdUpML: 0, points: 700, stopML: 3 })
  kept.holds('fine cuts', [
    figureText(recoveryAtPurity(curve, 0, 200, usualPurities), 5),
    figureText(recoveryAtPurity(curve, 1, 200, usualPurities), 5),
  ])
})

test('what readings at the head say', () => {
  const readings = [
    [0, 79],
    [4, 81],
    [8, 81],
    [10, 86],
    [12, 110],
    [16, 111],
  ].map(([volumeML, headC]) => ({ volumeML: volumeML!, headC: headC! }))
  kept.holds('head readings', [
    ...[
      [79, 81],
      [80, 82],
      [81, 81],
      [110, 111],
      [111, 120],
      [60, 78],
    ].map(([low, high]) => `${low} ${high} ${figureText(readHeads(readings, low!, high!), 5)}`),
    figureText([readHeads([], 0, 1), readHeads(readings.slice(0, 1), 79, 80), readHeads([...readings].reverse(), 80, 82)], 5),
    figureText(inOneRow([readings, [], readings.slice(2), readings.slice(0, 1)]), 5),
  ])
})

test('steam, thermometer and the choice of a way', () => {
  const antoine = ({ a, b, c }: Component) => ({ antoine: { a, b, c, fromC: 0, toC: 200, source: '' } })
  const fillings: Filling[] = ['mercury', 'spirit', 'no column']
  kept.holds('ways', [
    ...[toluene, octane].flatMap((each) =>
      [760, 620].map((mmHg) => figureText(steamDistillation(antoine(each), each.gPerMol, antoine(water), mmHg), 5)),
    ),
    figureText(steamDistillation({}, 100, antoine(water), 760), 5),
    ...fillings.flatMap((filling) =>
      [0, 60].flatMap((stemK) =>
        [0, 1.5].map(
          (lagK) =>
            `${filling} ${stemK} ${lagK} ${figureText([corrected(140, { filling, stemK, lagK, roomC: 21 }), expectedReading(140, { filling, stemK, lagK, roomC: 21 })], 6)}`,
        ),
      ),
    ),
    ...[179.9, 180, 180.1].flatMap((boilC) =>
      [null, 69.9, 70, 70.1].flatMap((nearestK) =>
        (['parts from it', 'mixes with it', 'is destroyed by it', 'unknown'] as const).map(
          (how) => `${boilC} ${nearestK} ${how} ${whichDistillation(boilC, nearestK, how, 70).way}`,
        ),
      ),
    ),
  ])
})
