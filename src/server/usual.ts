import { thisMoment } from './clock'
import { foldRun, type RunState } from '@/core/run/foldRun'
import { usualOfClass, type UsualOfClass } from '@/core/run/usualOfClass'
import { Run } from '@/data/models'
import { readEntries } from '@/data/entries'
import { planOfRevision } from './documents'
import { viewRun } from './runs'
import { slowly } from './slowly'

interface Folded {
  id: string
  scale: number
  state: RunState
}

const keptMs = 60_000
const mostSessions = 20
/** The benches of a session, worked out at most once a minute for all of them: each of sixty asks about the same. */
const kept = new Map<string, { until: number; benches: Promise<Folded[]> }>()

/** What is usual among the other benches of a run's session. */
export async function usualOfOthers(run: string, now = thisMoment().getTime()): Promise<UsualOfClass> {
  const { session } = await Run.findByPk(run, { rejectOnEmpty: true })
  let known = kept.get(session)
  if (!known || known.until <= now) {
    if (kept.size >= mostSessions) kept.clear()
    known = { until: now + keptMs, benches: folded(session, run) }
    known.benches.catch(() => kept.delete(session))
    kept.set(session, known)
  }
  return usualOfClass((await known.benches).filter(({ id }) => id !== run))
}

async function folded(session: string, run: string): Promise<Folded[]> {
  const [runs, { revision }] = await Promise.all([Run.findAll({ where: { session } }), viewRun(run)])
  const [plan, entries] = await Promise.all([planOfRevision(revision), readEntries(runs.map(({ id }) => id))])
  return slowly(runs, ({ id, scale }) => ({ id, scale, state: foldRun(plan, scale, entries[id]!) }))
}
