import { yearOfCourse } from './day'
import { QueryTypes } from 'sequelize'
import type { Plan } from '@/core/plan/plan'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { database } from '@/data/connect'
import { readEntries } from '@/data/entries'
import { planOfRevision, UnreadableDocument } from './documents'
import { slowly } from './slowly'

/** What a run is looked for by; what is empty asks for nothing. */
export interface Looked {
  plan: string
  substance: string
  group: string
  year: string
  /** The least and the most of its yield or recovery, per cent. */
  from: number | null
  to: number | null
}

export interface Found {
  run: string
  session: string
  title: string
  section: string
  at: string
  bench: number
  members: string
  /** In per cent, with what it is. */
  result: { kind: 'yield' | 'recovery'; percent: number } | null
  reading: string
}

/** As many runs as a search looks through, the latest, and as it shows. */
const looked = 3000
const shown = 200

interface Row {
  run: string
  session: string
  title: string
  section: string
  at: Date | string
  bench: number
  members: string
  scale: number
  revision: string
}

/** Words of a text as they are compared. */
const plain = (text: string) => text.toLowerCase().trim()

/** Runs of a course by plan, substance, group, year and result; the latest first. */
export async function findRuns(
  course: string,
  { plan, substance, group, year, from, to }: Looked,
): Promise<{ found: Found[]; more: boolean }> {
  const like = (text: string) => `%${text.trim().replace(/[\\%_]/g, '\\$&')}%`
  const span = /^\d{4}$/.test(year) ? await yearOfCourse(course, Number(year)) : null
  const rows = await database().query<Row>(
    `SELECT run.id AS run, l.id AS session, r.title, s.name AS section, l.starts_at AS at, run.bench, run.members, run.scale, r.id AS revision
     FROM run JOIN lab_session l ON l.id = run.session JOIN section s ON s.id = l.section JOIN revision r ON r.id = l.revision
     WHERE s.course = :course AND l.cancelled_at IS NULL AND run.last_seq > 0
       AND (:plan = '%%' OR r.title LIKE :plan) AND (:group = '%%' OR run.members LIKE :group) AND l.starts_at >= :begins AND l.starts_at < :ends
     ORDER BY l.starts_at DESC, run.bench LIMIT ${looked}`,
    {
      replacements: {
        course,
        plan: like(plan),
        group: like(group),
        begins: span?.from ?? new Date(0),
        ends: span?.to ?? new Date('2200-01-01'),
      },
      type: QueryTypes.SELECT,
    },
  )
  const plans = new Map<string, Plan | null>()
  for (const revision of new Set(rows.map((row) => row.revision))) {
    try {
      plans.set(revision, await planOfRevision(revision))
    } catch (error) {
      if (!(error instanceof UnreadableDocument)) throw error
      plans.set(revision, null)
    }
  }
  const wanted = plain(substance)
  const has = (of: Plan | null | undefined) =>
    wanted === '' ||
    of?.substances.some(({ id, name, formula }) => [id, name, formula ?? ''].some((each) => plain(each).includes(wanted))) ===
      true
  const candidates = rows.filter(({ revision }) => plans.get(revision) && has(plans.get(revision)))
  const byResult = from !== null || to !== null
  const read = byResult ? candidates : candidates.slice(0, shown + 1)
  const found: Found[] = []
  // Logs are read a class at a time, so that a long search holds no more than it looks at.
  for (let start = 0; start < read.length && found.length <= shown; start += 60) {
    const part = read.slice(start, start + 60)
    const entries = await readEntries(part.map(({ run }) => run))
    const results = await slowly(part, (row) =>
      runResults(foldRun(plans.get(row.revision)!, Number(row.scale), entries[row.run]!)),
    )
    for (const [index, row] of part.entries()) {
      const { result, judgement } = results[index]!
      const percent = result ? 100 * result.figure.value : null
      if (byResult && (percent === null || (from !== null && percent < from) || (to !== null && percent > to))) continue
      found.push({
        ...{ run: row.run, session: row.session, title: row.title, section: row.section, bench: row.bench, members: row.members },
        at: new Date(row.at).toISOString(),
        result: result && percent !== null ? { kind: result.kind, percent } : null,
        reading: judgement.words,
      })
    }
  }
  return { found: found.slice(0, shown), more: found.length > shown }
}
