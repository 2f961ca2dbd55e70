import { ulid } from 'ulid'
import { database } from '@/data/connect'
import { appendEntries } from '@/data/entries'
import type { college } from '@/demo/college'
import { safetyRead } from '../load/safetyRead'
import { median, percentile, report } from './figures'

/** Two hundred writers, each on a run of its own, one entry at a time against a durable database. */
export async function benchAppending(made: ReturnType<typeof college>): Promise<void> {
  const { Run } = await import('@/data/models')
  database()
  const template = await Run.findByPk(made.sessions[2]!.runs[0]!.id, { rejectOnEmpty: true })
  const writers = Array.from({ length: 200 }, (_, index) => ({
    ...template.get({ plain: true }),
    id: ulid(),
    code: `B${String(index).padStart(5, '0')}`,
    readCode: null,
    lastSeq: 0,
  }))
  await Run.bulkCreate(writers)
  const rounds: number[][] = []
  for (let round = 0; round < 3; round++) rounds.push(await storm(writers.map(({ id }) => id)))
  const size = '200 benches writing, one entry each every 2 s at random moments'
  const runs = `median of ${rounds.length} rounds of ${rounds[0]!.length} entries`
  report('append one entry, p95', median(rounds.map((times) => percentile(times, 0.95))), 'ms', size, runs)
  report('append one entry, median', median(rounds.map(median)), 'ms', size, runs)
  await database().close()
}

/** Ten entries from each bench, each at a moment of its own, as benches do not press in step; how long each took, in ms. */
async function storm(runs: readonly string[]): Promise<number[]> {
  const pause = (most: number) => new Promise((resolve) => setTimeout(resolve, Math.random() * most))
  const times: number[] = []
  await Promise.all(
    runs.map(async (run) => {
      for (let index = 0; index < 10; index++) {
        // A bench writes a few times a minute; every two seconds is already a storm.
        await pause(4000)
        const now = new Date()
        const entry = safetyRead(now)
        const start = performance.now()
        await appendEntries(run, [entry], now)
        times.push(performance.now() - start)
      }
    }),
  )
  return times
}
