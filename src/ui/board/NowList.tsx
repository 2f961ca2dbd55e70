import { behindMin } from '@/core/run/behind'
import { overdue, overdueOrder } from '@/core/timetable/overdue'
import type { Logged } from '@/core/timetable/stepMinutes'
import type { Bench } from './bench'
import { NowWords } from './NowWords'

interface Props {
  states: Bench[]
  now: number
  startsAt: string
  logged: Readonly<Record<string, Logged>>
}

/** All benches with what is now at each, the late ones first: what a phone shows in place of the grid. */
export function NowList({ states, now, startsAt, logged }: Props) {
  const sorted = states
    .map((each) => ({ ...each, late: overdue(each.state, now, logged), behind: behindMin(each.state, startsAt, now) }))
    .sort(
      (a, b) =>
        overdueOrder(a.late, b.late) || Number(b.behind !== null) - Number(a.behind !== null) || a.run.bench - b.run.bench,
    )
  return (
    <section className="now-list" aria-label="Benches now">
      <h2 className="section-title">Benches now</h2>
      <ul className="sheet-list">
        {sorted.map(({ run, state, late, behind }) => (
          <li key={run.id} className={late || behind !== null ? 'late' : undefined}>
            <span>
              <b>Bench {run.bench}</b> <span className="quiet">{run.members}</span>
              <br />
              <NowWords state={state} now={now} startsAt={startsAt} logged={logged} />
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
