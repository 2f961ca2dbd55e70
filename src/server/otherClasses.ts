import { QueryTypes } from 'sequelize'
import { resultsOf } from '@/core/classroom/classResults'
import { figuresOfClass, type ClassFigures } from '@/core/classroom/compareClasses'
import type { Plan } from '@/core/plan/plan'
import { database } from '@/data/connect'
import { readEntries } from '@/data/entries'
import { planOfRevision, UnreadableDocument } from './documents'
import type { SessionView } from './sessions'
import { foldedClass } from './foldedClass'

/** As many classes of one plan as are compared, the latest. */
const most = 80

interface Row {
  session: string
  section: string
  at: Date | string
  revision: string
  number: number
  run: string
  bench: number
  scale: number
}

/** The figures of a class that is over and whose log was read before: they stay as long as no entry comes to it. */
const kept = new Map<string, { key: string; figures: ClassFigures }>()

/**
 * Every class of the preparation of a session in its course, the earliest first, with the plan of each revision. A few statements, however many there are; a class that nothing was written to since is not worked out again.
 */
export async function otherClasses(
  view: SessionView,
): Promise<{ classes: ClassFigures[]; plans: Record<number, Plan>; unreadable: number }> {
  const rows = await database().query<Row & { lastSeq: number }>(
    `SELECT l.id AS session, s.name AS section, l.starts_at AS at, r.id AS revision, r.number, run.id AS run, run.bench, run.scale, run.last_seq AS lastSeq
     FROM (SELECT l.* FROM lab_session l JOIN revision r ON r.id = l.revision JOIN section s ON s.id = l.section
           WHERE r.preparation = :preparation AND s.course = :course AND l.goes_on_from IS NULL AND l.cancelled_at IS NULL
           ORDER BY l.starts_at DESC LIMIT ${most}) l
     JOIN section s ON s.id = l.section JOIN revision r ON r.id = l.revision JOIN run ON run.session = l.id
     ORDER BY l.starts_at, run.bench`,
    { replacements: { preparation: view.revision.preparation, course: view.course }, type: QueryTypes.SELECT },
  )
  const sessions = [...new Set(rows.map(({ session }) => session))]
  const keyOf = (session: string) =>
    rows
      .filter((row) => row.session === session)
      .map(({ run, lastSeq }) => `${run}:${lastSeq}`)
      .join()
  const fresh = rows.filter(({ session }) => kept.get(session)?.key !== keyOf(session))
  const entries = await readEntries(fresh.map(({ run }) => run))
  const plans: Record<number, Plan> = {}
  let unreadable = 0
  const classes: ClassFigures[] = []
  for (const session of sessions) {
    const own = rows.filter((row) => row.session === session)
    const { section, at, number, revision } = own[0]!
    try {
      const plan = (plans[number] ??= await planOfRevision(revision))
      const key = keyOf(session)
      const known = kept.get(session)
      if (known?.key === key) {
        classes.push(known.figures)
        continue
      }
      const folded = await foldedClass(
        plan,
        own.map(({ run, bench, scale }) => ({ id: run, bench, members: '', scale: Number(scale), entries: entries[run] ?? [] })),
      )
      const figures = figuresOfClass(
        { session, section, at: new Date(at).toISOString(), revision: number },
        resultsOf(plan, folded),
      )
      if (kept.size > 2000) kept.clear()
      kept.set(session, { key, figures })
      classes.push(figures)
    } catch (error) {
      // One plan that cannot be read takes its own class out, not the page.
      if (!(error instanceof UnreadableDocument)) throw error
      unreadable++
    }
  }
  return { classes: classes.filter(({ fractions, shiftC }) => fractions.length > 0 || shiftC !== null), plans, unreadable }
}
