import { resultsCsv } from '@/core/format/resultsCsv'
import { classResults } from '@/core/classroom/classResults'
import { dayIn } from './day'
import { viewSession } from './sessions'

/** The results of a session as a CSV file with a name that says what it is. */
export async function csvOfSession(id: string): Promise<{ name: string; text: string }> {
  const { plan, runs, title, section, startsAt, zone } = await viewSession(id, false)
  const name = `${title} ${section} ${dayIn(zone, new Date(startsAt))}`.toLowerCase().replace(/[^a-z0-9-]+/g, '-')
  return { name: `${name}.csv`, text: resultsCsv(classResults(plan, runs).rows) }
}
