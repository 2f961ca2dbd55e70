import { resultsCsv } from '@/core/format/resultsCsv'
import { runResults } from '@/core/result/runResults'
import { foldRun } from '@/core/run/foldRun'
import { dayIn } from './day'
import { viewSession } from './sessions'

/** The results of a session as a CSV file with a name that says what it is. */
export async function csvOfSession(id: string): Promise<{ name: string; text: string }> {
  const { plan, runs, title, section, startsAt, zone } = await viewSession(id, false)
  const rows = runs.map((run) => {
    const state = foldRun(plan, run.scale, run.entries)
    return { bench: run.bench, members: run.members, scale: run.scale, state, results: runResults(state) }
  })
  const name = `${title} ${section} ${dayIn(zone, new Date(startsAt))}`.toLowerCase().replace(/[^a-z0-9-]+/g, '-')
  return { name: `${name}.csv`, text: resultsCsv(rows) }
}
