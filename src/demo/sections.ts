import type { Entry } from '@/core/run/entry'
import { acetanilideRun, type Story } from './acetanilideRun'
import type { InventedLog } from './log'

/** What section A did last week: a believable spread, bench 3 weighed wet, bench 5 used four times the water, bench 7 short of anhydride. */
export const finished: Story[] = [
  {
    anilineG: 4.089,
    anhydrideML: 5.0,
    zincG: 0.1,
    crudeG: 4.98,
    waterML: 98,
    dryingG: [4.62, 4.43, 4.41],
    meltingC: [113.0, 114.7],
    lateMin: 0,
  },
  {
    anilineG: 4.056,
    anhydrideML: 5.0,
    zincG: 0.11,
    crudeG: 5.11,
    waterML: 96,
    dryingG: [4.71, 4.63, 4.62],
    meltingC: [113.1, 114.9],
    slip: { valueG: 17.474, reason: 'Wrote 17 for 27' },
    lateMin: 3,
  },
  {
    anilineG: 4.102,
    anhydrideML: 5.05,
    zincG: 0.1,
    crudeG: 7.12,
    waterML: 100,
    dryingG: [6.62, 6.31],
    meltingC: [104.0, 111.6],
    impatient: true,
    lateMin: -2,
  },
  {
    anilineG: 3.274,
    anhydrideML: 4.0,
    zincG: 0.08,
    crudeG: 3.82,
    waterML: 80,
    dryingG: [3.41, 3.34, 3.33],
    meltingC: [113.2, 114.9],
    lateMin: 5,
  },
  {
    anilineG: 4.084,
    anhydrideML: 5.0,
    zincG: 0.1,
    crudeG: 4.71,
    waterML: 420,
    dryingG: [2.08, 2.02, 2.02],
    meltingC: [113.1, 114.8],
    lateMin: 2,
  },
  {
    anilineG: 4.093,
    anhydrideML: 4.95,
    zincG: 0.1,
    crudeG: 4.77,
    waterML: 102,
    dryingG: [4.31, 4.16, 4.15],
    meltingC: [112.4, 114.2],
    lateMin: -1,
  },
  {
    anilineG: 4.037,
    anhydrideML: 3.6,
    zincG: 0.12,
    crudeG: 4.29,
    waterML: 95,
    dryingG: [3.92, 3.84, 3.84],
    meltingC: [112.8, 114.5],
    lateMin: 4,
  },
  {
    anilineG: 4.091,
    anhydrideML: 5.0,
    zincG: 0.09,
    crudeG: 4.66,
    waterML: 98,
    dryingG: [4.21, 4.03, 4.02],
    meltingC: [109.0, 113.1],
    lateMin: 1,
  },
]

const ordinary = (scale: number, lateMin: number): Story => ({
  anilineG: Number((4.09 * scale).toFixed(3)),
  anhydrideML: Number((5 * scale).toFixed(2)),
  zincG: 0.1,
  crudeG: Number((4.9 * scale).toFixed(2)),
  waterML: Math.round(98 * scale),
  dryingG: [],
  meltingC: [113, 115],
  lateMin,
})

/** Section B today, bench by bench, 78 minutes in. */
export const goingOn: ((log: InventedLog, demonstrator: string, scale: number) => void)[] = [
  // Under reflux for nine minutes.
  (log, demonstrator, scale) => acetanilideRun(log, ordinary(scale, 23), demonstrator, 70),
  // Weighed the aniline; nobody has signed it yet.
  (log) => {
    log.done(9, 'safety')
    log.done(30, 'set-up')
    log.byDifference(66, 'charge-aniline', 27.512, 4.094, 3)
    log.done(71, 'charge-acid')
  },
  // In ice longer than planned.
  (log, demonstrator, scale) => acetanilideRun(log, ordinary(scale, -9), demonstrator, 66),
  // A signed reading was struck afterwards: the signature is void.
  (log, demonstrator, scale) => {
    acetanilideRun(log, ordinary(scale, 12), demonstrator, 77)
    const full = log.entries.find((entry) => entry.kind === 'reading')!
    log.reading(
      77,
      'charge-aniline',
      { ...(full as Entry<'reading'>).body, value: 27.408 },
      { supersedes: full.id, reason: 'Read 27.508, the slip says 27.408' },
    )
  },
  // Heat on, no reflux yet.
  (log, demonstrator, scale) => acetanilideRun(log, ordinary(scale, 34), demonstrator, 75),
  // Kept a tenth of the plan after being asked.
  (log) => {
    log.done(11, 'safety')
    log.done(33, 'set-up')
    log.byDifference(69, 'charge-aniline', 23.83, 0.412, 3, {
      asked: '0.412 g is a tenth of the plan’s 4.09 g. Is the point in the right place?',
    })
  },
  // Late: still setting up.
  (log) => log.done(41, 'safety'),
  // Ahead of the others: dissolving the crude.
  (log, demonstrator, scale) => acetanilideRun(log, ordinary(scale, -22), demonstrator, 76),
]
