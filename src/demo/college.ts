import { ulid } from 'ulid'
import type { Entry } from '@/core/run/entry'
import { defaultLab, type Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import type { Bottle } from '@/core/stores/bottle'
import type { WasteStream } from '@/core/substance/lists'
import { acetanilideRun, type Story } from './acetanilideRun'
import { InventedLog } from './log'
import { plans } from './plans'
import { repeatable } from '@/core/quantity/repeatable'

/** A whole invented college, as plain data for whoever writes it to a database. */
export interface College {
  course: { id: string; title: string; college: string; zone: string; lab: Lab }
  people: { id: string; signIn: string; name: string; role: 'owner' | 'demonstrator' | 'stores' | 'reader'; password: string }[]
  sections: { id: string; name: string; left?: Date; groups: { id: string; bench: number; members: string }[] }[]
  preparations: { id: string; revision: string; plan: Plan; publishedAt: Date }[]
  bottles: Pick<Bottle, 'id' | 'substance' | 'formula' | 'form' | 'left' | 'place'>[]
  sessions: {
    id: string
    section: string
    revision: string
    startsAt: Date
    endsAt: Date
    room: string
    runs: {
      id: string
      group: string
      bench: number
      members: string
      scale: number
      code: string
      readCode: string
      entries: Entry[]
    }[]
  }[]
}

const dayMs = 86_400_000

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
const laboratory: Lab = {
  ...defaultLab,
  pressure: { by: 'kPa', value: 99.4 },
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

const members = {
  A: [
    'Adeyemi, Kowal',
    'Brandt, Osei',
    'Castellan, Ivers',
    'Dunmore, Park',
    'Eklund, Farouk',
    'Fenwick, Sato',
    'Galli, Novak',
    'Hale, Moreau',
  ],
  B: [
    'Ashdown, Lund',
    'Bakari, Quist',
    'Corvin, Ueda',
    'Delaney, Wirth',
    'Esposito, Yilmaz',
    'Ferro, Zielin',
    'Grieve, Omondi',
    'Holt, Petrov, Ruiz',
  ],
}

/** What section A did last week: a believable spread, bench 3 weighed wet, bench 5 used four times the water, bench 7 short of anhydride. */
const finished: Story[] = [
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

const scales = { A: [1, 1, 1, 0.8, 1, 1, 1, 1], B: [1, 1, 0.8, 1, 1, 1, 0.8, 1.2] }

/**
 * The college as it is at a moment: everything in it is the same each time for the same day, except that today's session began 78 minutes before the
 * moment of seeding, so that it is going on now.
 */
export function college(at: Date, zone: string): College {
  const random = repeatable(20_261_117)
  const fixed = Date.UTC(2026, 0, 5, 8)
  const id = () => ulid(fixed, random)
  const midnight = new Date(at.getFullYear(), at.getMonth(), at.getDate())
  const atClock = (days: number, hour: number, minute: number) =>
    new Date(midnight.getFullYear(), midnight.getMonth(), midnight.getDate() + days, hour, minute)

  const people: College['people'] = [
    { id: id(), signIn: 'varga', name: 'Ilse Varga', role: 'owner', password: 'bench-book-owner' },
    { id: id(), signIn: 'haddad', name: 'Noor Haddad', role: 'demonstrator', password: 'bench-book-demo' },
    { id: id(), signIn: 'lindtorp', name: 'Per Lindtorp', role: 'stores', password: 'bench-book-stores' },
    { id: id(), signIn: 'bello', name: 'Amara Bello', role: 'reader', password: 'bench-book-reader' },
  ]
  const demonstrator = people[1]!.name
  const sections = (['A', 'B'] as const).map((letter) => ({
    id: id(),
    name: `Section ${letter}`,
    groups: members[letter].map((names, index) => ({ id: id(), bench: index + 1, members: names })),
  }))
  const preparations = plans.map((plan) => ({
    id: id(),
    revision: id(),
    plan: plan as unknown as Plan,
    publishedAt: new Date(midnight.getTime() - 450 * dayMs + 10 * 3_600_000),
  }))
  const [amide, acyloin] = [preparations[0]!, preparations[1]!]
  const pick = () => Math.floor(random() * 32)
  const code = () => Array.from({ length: 6 }, () => '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'[pick()]).join('')
  // Apart, so that what came with an earlier release stays what it was.
  const readRandom = repeatable(20_261_125)
  const readCode = () =>
    Array.from({ length: 8 }, () => '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'[Math.floor(readRandom() * 32)]).join('')
  const runsOf = (section: (typeof sections)[number], scale: number[], write: (index: number, by: string) => Entry[]) =>
    section.groups.map((group, index) => ({
      id: id(),
      group: group.id,
      bench: group.bench,
      members: group.members,
      scale: scale[index]!,
      code: code(),
      readCode: readCode(),
      entries: write(index, `Bench ${group.bench}`),
    }))

  const lastWeek = atClock(-7, 13, 30)
  // On now, whatever the hour; just after midnight it began the evening before.
  const begun = new Date(at.getTime() - 78 * 60_000)
  const nextWeek = atClock(7, 13, 30)
  return {
    course: { id: id(), title: 'Organic laboratory I', college: 'Quillmere College', zone, lab: laboratory },
    people,
    sections,
    preparations,
    sessions: [
      {
        id: id(),
        section: sections[0]!.id,
        revision: amide.revision,
        startsAt: lastWeek,
        endsAt: atClock(-7, 17, 30),
        room: 'North lab',
        runs: runsOf(sections[0]!, scales.A, (index, by) => {
          const log = new InventedLog(lastWeek, by, random)
          acetanilideRun(log, finished[index]!, demonstrator)
          return log.entries
        }),
      },
      {
        id: id(),
        section: sections[1]!.id,
        revision: amide.revision,
        startsAt: begun,
        endsAt: new Date(begun.getTime() + 240 * 60_000),
        room: 'North lab',
        runs: runsOf(sections[1]!, scales.B, (index, by) => {
          const log = new InventedLog(begun, by, random)
          goingOn[index]!(log, demonstrator, scales.B[index]!)
          return log.entries
        }),
      },
      {
        id: id(),
        section: sections[0]!.id,
        revision: acyloin.revision,
        startsAt: nextWeek,
        endsAt: atClock(7, 17, 30),
        room: 'South lab',
        runs: runsOf(sections[0]!, scales.A, () => []),
      },
    ],
    bottles: shelf.map((bottle) => ({ id: id(), ...bottle })),
  }
}

const left = (value: number, unit: 'g' | 'mL') => ({ value, unit, decimals: 0 })

/** Some of what stands in the prep room, one of them nearly empty. */
const shelf: Omit<College['bottles'][number], 'id'>[] = [
  {
    substance: 'aniline',
    formula: 'C6H7N',
    form: { kind: 'neat', purity: 0.99 },
    left: left(180, 'mL'),
    place: 'hood cupboard 1',
  },
  {
    substance: 'acetic anhydride',
    formula: 'C4H6O3',
    form: { kind: 'neat', purity: 0.98 },
    left: left(34, 'mL'),
    place: 'hood cupboard 1',
  },
  {
    substance: 'acetic acid',
    formula: 'C2H4O2',
    form: { kind: 'neat', purity: 1 },
    left: left(900, 'mL'),
    place: 'acid cupboard',
  },
  { substance: 'benzaldehyde', formula: 'C7H6O', form: { kind: 'neat', purity: 0.99 }, left: left(250, 'mL'), place: 'shelf 3' },
  { substance: 'ground nutmeg', formula: null, form: { kind: 'solid', purity: 1 }, left: left(60, 'g'), place: 'shelf 5' },
  {
    substance: 'hydrochloric acid',
    formula: 'HCl',
    form: { kind: 'mass-fraction', fraction: 0.37, gPerML: 1.18, source: 'Label of the bottle' },
    left: left(1200, 'mL'),
    place: 'acid cupboard',
  },
  { substance: 'zinc dust', formula: 'Zn', form: { kind: 'solid', purity: 1 }, left: left(45, 'g'), place: 'shelf 1' },
  {
    substance: 'ethanol',
    formula: 'C2H6O',
    form: { kind: 'neat', purity: 0.95 },
    left: left(2300, 'mL'),
    place: 'solvent store',
  },
  {
    substance: 'thiamine hydrochloride',
    formula: 'C12H18Cl2N4OS',
    form: { kind: 'solid', purity: 1 },
    left: left(9, 'g'),
    place: 'refrigerator',
  },
  {
    substance: 'sodium hydroxide',
    formula: 'NaOH',
    form: { kind: 'solid', purity: 1 },
    left: left(400, 'g'),
    place: 'base cupboard',
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
const goingOn: ((log: InventedLog, demonstrator: string, scale: number) => void)[] = [
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
