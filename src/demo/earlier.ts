import { ulid } from 'ulid'
import { classesHeld, planCalled, type HeldClass } from './classes'
import type { College } from './college'
import { InventedLog } from './log'
import { play } from './play'
import { repeatable } from './random'
import { slotsOf } from '@/core/operations/send/sampleSlots'
import { simulateChromatogram, simulateInfrared } from '@/core/traces/simulate'
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
  const dayOf = ({ days, hour }: HeldClass) => new Date(at.getFullYear(), at.getMonth(), at.getDate() - days, hour, 0)
  const earlier = (['autumn', 'spring'] as const).map((season) => {
    const day = dayOf(classesHeld.find(({ section }) => section === season)!)
    return {
      id: id(),
      name: `${day.getMonth() >= 6 ? 'Autumn' : 'Spring'} ${day.getFullYear()}`,
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

/** Chromatograms of the esters of a class and two of their infrared spectra, from models of our own: bench 2 has alcohol left, bench 5 more of it. */
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
    return [gc, { ...file, name: `${slot} ir.jdx`, content: writeJcamp(spectrum) }]
  })
}
