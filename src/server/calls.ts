import { thisMoment } from './clock'
import { QueryTypes } from 'sequelize'
import { callsOf, openCalls } from '@/core/run/calls'
import { database } from '@/data/connect'
import { readEntries } from '@/data/entries'
import type { Person } from './actor'
import { may } from './rights'

/** Something at a bench that nobody has seen to yet. */
export interface OpenCall {
  id: string
  kind: 'hand' | 'incident'
  /** What happened, or what was said. */
  words: string
  at: string
  run: string
  bench: number
  session: string
  title: string
}

/** A session counts from some hours before it begins to long after it has ended. */
const beforeMs = 4 * 3_600_000
const afterMs = 12 * 3_600_000

/** What is open at the benches of today's sessions, what happened first, in the courses whose readings a person signs. */
export async function openToday(person: Person, now = thisMoment()): Promise<OpenCall[]> {
  const courses = Object.keys(person.roles).filter((course) => may(person, 'run.sign', { course }))
  if (courses.length === 0) return []
  const rows = await database().query<{ run: string; bench: number; session: string; title: string }>(
    `SELECT run.id AS run, run.bench, l.id AS session, r.title FROM lab_session l
       JOIN section s ON s.id = l.section
       JOIN run ON run.session = l.id OR run.id IN (SELECT d.run FROM run_day d WHERE d.session = l.id)
       JOIN revision r ON r.id = l.revision
     WHERE s.course IN (:courses) AND l.starts_at <= :to AND l.ends_at >= :from AND l.cancelled_at IS NULL ORDER BY l.starts_at`,
    {
      replacements: { courses, from: new Date(now.getTime() - afterMs), to: new Date(now.getTime() + beforeMs) },
      type: QueryTypes.SELECT,
    },
  )
  if (rows.length === 0) return []
  const runs = new Map(rows.map((row) => [row.run, row]))
  const entries = await readEntries([...runs.keys()], {}, ['hand', 'incident', 'answer', 'strike'])
  return [...runs.values()]
    .flatMap((row): OpenCall[] => {
      const all = entries[row.run]!
      const gone = new Set(all.flatMap(({ supersedes }) => supersedes ?? []))
      return openCalls(callsOf(all.filter(({ id, kind }) => !gone.has(id) && kind !== 'strike'))).flatMap(({ entry }) =>
        entry.kind === 'message'
          ? []
          : [
              {
                ...row,
                id: entry.id,
                kind: entry.kind,
                words:
                  entry.kind === 'incident'
                    ? [entry.body.what, entry.body.who, entry.body.text].filter(Boolean).join(', ')
                    : entry.body.text,
                at: entry.at,
              },
            ],
      )
    })
    .sort((a, b) => Number(b.kind === 'incident') - Number(a.kind === 'incident') || a.at.localeCompare(b.at))
}
