import { behindMin } from '@/core/run/behind'
import type { RunState } from '@/core/run/foldRun'
import type { Bench } from './bench'
import { NowWords } from './NowWords'

/** Benches with what is now at each, those whose clock is over first: what a phone shows in place of the grid. */
export function NowList({ states, now, startsAt }: { states: Bench[]; now: number; startsAt: string }) {
  const late = (state: RunState) => state.clocks.some(({ dueAt }) => dueAt !== null && Date.parse(dueAt) < now)
  const sorted = [...states].sort((a, b) => Number(late(b.state)) - Number(late(a.state)) || a.run.bench - b.run.bench)
  return (
    <section className="now-list" aria-label="Benches now">
      <h2 className="section-title">Benches now</h2>
      <ul className="sheet-list">
        {sorted.map(({ run, state }) => (
          <li key={run.id} className={late(state) || behindMin(state, startsAt, now) !== null ? 'late' : undefined}>
            <span>
              <b>Bench {run.bench}</b> <span className="quiet">{run.members}</span>
              <br />
              <NowWords state={state} now={now} startsAt={startsAt} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
