import { classResults } from '@/core/classroom/classResults'
import { foldClass } from '@/core/classroom/foldClass'
import { figuresCsv } from '@/core/format/figuresCsv'
import { logCsv } from '@/core/format/logCsv'
import { resultsCsv } from '@/core/format/resultsCsv'
import { dayIn } from './day'
import { tiesOf } from './proofOf'
import { viewSession } from './sessions'

/** The tables of a session: its results, every figure, every entry. */
export type SessionTable = 'results' | 'figures' | 'log'

/** A table of a session as CSV, with a name that says what it is. Made in a process of its own (`apart/exported.ts`), since a large class takes its time. @throws Refusal 404 */
export async function csvOfSession(id: string, table: SessionTable): Promise<{ name: string; text: string }> {
  const { plan, runs, title, section, startsAt, zone } = await viewSession(id, false)
  if (table === 'results')
    return { name: `${title} ${section} ${dayIn(zone, new Date(startsAt))}`, text: resultsCsv(classResults(plan, runs).rows) }
  const folded = foldClass(plan, runs)
  return table === 'figures'
    ? { name: `figures ${title} ${section}`, text: figuresCsv(folded) }
    : { name: `log ${title} ${section}`, text: logCsv(folded, await tiesOf(runs.map(({ id: run }) => run))) }
}
