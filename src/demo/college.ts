import { ulid } from 'ulid'
import { momentIn } from '@/core/quantity/momentIn'
import type { Entry } from '@/core/run/entry'
import type { Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import type { Bottle } from '@/core/stores/bottle'
import { acetanilideRun } from './acetanilideRun'
import { InventedLog } from './log'
import { laboratory } from './laboratory'
import { plans } from './plans'
import { finished, goingOn } from './sections'
import { shelf } from './shelf'
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

const scales = { A: [1, 1, 1, 0.8, 1, 1, 1, 1], B: [1, 1, 0.8, 1, 1, 1, 0.8, 1.2] }

/**
 * The college as it is at a moment: everything in it is the same each time for the same day, except that today's session began 78 minutes before the
 * moment of seeding, so that it is going on now.
 */
export function college(at: Date, zone: string): College {
  const random = repeatable(20_261_117)
  const fixed = Date.UTC(2026, 0, 5, 8)
  const id = () => ulid(fixed, random)
  const today = new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at)
  const atClock = (days: number, hour: number, minute: number) => {
    const day = new Date(Date.parse(`${today}T12:00:00Z`) + days * dayMs).toISOString().slice(0, 10)
    return momentIn(zone, day, `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`)
  }
  const midnight = atClock(0, 0, 0)

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
