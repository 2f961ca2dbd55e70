import { momentIn } from '@/core/quantity/momentIn'
import { ulid } from 'ulid'
import { classesHeld, planCalled, type HeldClass } from './classes'
import type { College } from './college'
import { InventedLog } from './log'
import { play } from './play'
import { repeatable } from '@/core/quantity/repeatable'
import { slotsOf } from '@/core/operations/send/sampleSlots'
import { simulateChromatogram, simulateInfrared, simulateProtons } from '@/core/traces/simulate'
import type { Trace } from '@/core/traces/trace'
import { writeJcamp } from '@/core/traces/writeJcamp'

const members: Record<'spring' | 'autumn', readonly string[]> = {
  autumn: [
    'Abara, Lind',
    'Borg, Ceder',
    'Dietz, Imani',
    'Egerton, Rahal',
    'Falk, Njoroge',
    'Greco, Tanaka',
    'Hollis, Vass',
    'Ibarra, Keane',
  ],
  spring: [
    'Jansen, Okafor',
    'Kemp, Suzuki',
    'Larsen, Amadi',
    'Meier, Doyle',
    'Nair, Fontaine',
    'Oduya, Bright',
    'Pohl, Serrano',
    'Quade, Lemaire',
  ],
}

const letters = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'

/**
 * What the college has held before, with its logs: played by a bot that answers what is due, from a stream of its own, so that what stood in the demo before stays what it was.
 */
export function heldBefore(made: College, at: Date): Pick<College, 'sections' | 'sessions'> & { files: HeldFile[] } {
  const random = repeatable(20_261_201)
  const fixed = Date.UTC(2026, 0, 6, 8)
  const id = () => ulid(fixed, random)
  const code = (length: number) => Array.from({ length }, () => letters[Math.floor(random() * letters.length)]).join('')
  const { zone } = made.course
  const today = Date.parse(`${new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at)}T12:00:00Z`)
  const dayOf = ({ days, hour }: HeldClass) =>
    momentIn(zone, new Date(today - days * 86_400_000).toISOString().slice(0, 10), `${String(hour).padStart(2, '0')}:00`)
  const earlier = (['autumn', 'spring'] as const).map((season) => {
    const day = dayOf(classesHeld.find(({ section }) => section === season)!)
    return {
      id: id(),
      name: `${day.getUTCMonth() >= 6 ? 'Autumn' : 'Spring'} ${day.getUTCFullYear()}`,
      // Its groups have left: nothing is set for them any more.
      left: new Date(day.getTime() + 60 * 86_400_000),
      groups: members[season].map((names, index) => ({ id: id(), bench: index + 1, members: names })),
    }
  })
  const sectionOf = { A: made.sections[0]!, B: made.sections[1]!, autumn: earlier[0]!, spring: earlier[1]! }
  const demonstrator = made.people[1]!.name
  const sessions = classesHeld.map((held): College['sessions'][number] => {
    const { plan, revision } = planCalled(made.preparations, held.title)
    const section = sectionOf[held.section]
    const startsAt = dayOf(held)
    return {
      id: id(),
      section: section.id,
      revision,
      startsAt,
      endsAt: new Date(startsAt.getTime() + 6 * 3_600_000),
      room: held.room,
      runs: section.groups.map((group) => {
        const log = new InventedLog(startsAt, `Bench ${group.bench}`, random)
        play(log, plan, 1, held.worker(group.bench, random), { demonstrator, random })
        return {
          id: id(),
          group: group.id,
          bench: group.bench,
          members: group.members,
          scale: 1,
          code: code(6),
          readCode: code(8),
          entries: log.entries,
        }
      }),
    }
  })
  return { sections: earlier, sessions, files: filesOfEsters(sessions.at(-1)!) }
}

/** A file that an instrument is said to have given for a session; simulated, and it says so. */
export interface HeldFile {
  session: string
  run: string
  slot: string
  name: string
  content: string
}

/** Retention times of the ester class on a simulated column, min, with the width of a peak. */
const column = { air: 1.1, acid: 2.7, alcohol: 3.4, ester: 5.6, sigma: 0.045 }

/** Made-up signals of the ester: (CH3)2CH, CH2 beside it, CH, CH3CO, OCH2. */
const protons = [
  { ppm: 0.92, protons: 6, lines: 2 },
  { ppm: 1.52, protons: 2, lines: 4 },
  { ppm: 1.68, protons: 1, lines: 9 },
  { ppm: 2.04, protons: 3, lines: 1 },
  { ppm: 4.09, protons: 2, lines: 3 },
]

/** Made-up mass peaks of the ester, m/z with a height in per cent of the strongest. */
const masses: readonly [number, number][] = [
  [41, 16],
  [43, 100],
  [55, 41],
  [61, 15],
  [70, 57],
  [87, 9],
]

/** Chromatograms of the esters of a class and two of their infrared spectra, a proton spectrum and mass peaks of one, from models of our own: bench 2 has alcohol left, bench 5 more of it. */
function filesOfEsters({ id: session, runs }: College['sessions'][number]): HeldFile[] {
  const random = repeatable(20_261_202)
  return runs.flatMap(({ id: run, bench }): HeldFile[] => {
    const slot = slotsOf(bench, 1)![0]!
    const alcohol = bench === 5 ? 0.16 : bench === 2 ? 0.07 : 0.006 + 0.012 * random()
    const peak = (atMin: number, area: number) => ({ atMin: atMin + 0.01 * (random() - 0.5), area, sigmaMin: column.sigma })
    const trace = simulateChromatogram(
      [peak(column.air, 6), peak(column.acid, 0.4), peak(column.alcohol, 40 * alcohol), peak(column.ester, 40 * (1 - alcohol))],
      { title: `isopentyl acetate, vial ${slot}`, minutes: 8, points: 2400, drift: 3, noise: 0.06 },
      random,
    )
    const file = { session, run, slot }
    const gc = { ...file, name: `${slot} gc.jdx`, content: writeJcamp(trace) }
    if (bench !== 1 && bench !== 5) return [gc]
    const spectrum = simulateInfrared(
      `isopentyl acetate, vial ${slot}`,
      [
        { group: 'ester', part: 1 },
        { group: 'alcohol', part: bench === 5 ? 0.7 : 0 },
      ],
      random,
    )
    const ir = { ...file, name: `${slot} ir.jdx`, content: writeJcamp(spectrum) }
    if (bench !== 1) return [gc, ir]
    const title = `isopentyl acetate, vial ${slot}`
    const mass: Trace = {
      ...{ kind: 'mass spectrum', title, xUnit: 'M/Z', yUnit: 'RELATIVE ABUNDANCE', peaksOnly: true, simulated: true },
      x: masses.map(([mz]) => mz),
      y: masses.map(([, height]) => height),
    }
    return [
      ...[gc, ir],
      { ...file, name: `${slot} h-nmr.jdx`, content: writeJcamp(simulateProtons(title, protons, random)) },
      { ...file, name: `${slot} ms.jdx`, content: writeJcamp(mass) },
    ]
  })
}
