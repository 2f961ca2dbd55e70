import { entryValue } from '../run/labels'
import { clockTime } from '../time'
import type { Bench } from './bench'

/** Readings that were kept though they were asked about. */
export function Odd({ states, zone }: { states: Bench[]; zone: string }) {
  const odd = states.flatMap(({ run, state }) => state.odd.map((entry) => ({ run, entry })))
  if (odd.length === 0) return null
  return (
    <section aria-label="Odd readings">
      <h2 className="section-title">Odd readings, kept when asked</h2>
      <ul className="sheet-list">
        {odd.map(({ run, entry }) => (
          <li key={entry.id}>
            <span>
              <b>Bench {run.bench}</b> <span className="fig">{entryValue(entry)}</span>, {clockTime(entry.at, zone)}:{' '}
              {'asked' in entry.body && entry.body.asked}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
