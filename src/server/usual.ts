import { foldRun } from '@/core/run/foldRun'
import { usualOfClass, type UsualOfClass } from '@/core/run/usualOfClass'
import { Run } from '@/data/models'
import { readEntries } from '@/data/entries'
import { planOfRevision } from './documents'
import { viewRun } from './runs'

const keptMs = 60_000
const kept = new Map<string, { until: number; usual: Promise<UsualOfClass> }>()

/** What is usual among the other benches of a run's session; worked out at most once a minute for each. */
export function usualOfOthers(run: string, now = Date.now()): Promise<UsualOfClass> {
  const known = kept.get(run)
  if (known && known.until > now) return known.usual
  if (kept.size > 2000) kept.clear()
  const usual = workOut(run)
  kept.set(run, { until: now + keptMs, usual })
  usual.catch(() => kept.delete(run))
  return usual
}

async function workOut(id: string): Promise<UsualOfClass> {
  const own = await Run.findByPk(id, { rejectOnEmpty: true })
  const others = (await Run.findAll({ where: { session: own.session } })).filter((run) => run.id !== id)
  const { revision } = await viewRun(id)
  const [plan, entries] = await Promise.all([planOfRevision(revision), readEntries(others.map((run) => run.id))])
  return usualOfClass(others.map((run) => ({ scale: run.scale, state: foldRun(plan, run.scale, entries[run.id]!) })))
}
