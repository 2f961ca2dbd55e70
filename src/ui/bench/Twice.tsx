import type { Entry } from '@/core/run/entry'
import type { StepState } from '@/core/run/stepState'
import { entryLabel, entryValue } from '../run/labels'
import { clockTime } from '../time'

/** Two tablets wrote the same reading at once: both are seen, and a person says which one is wrong. */
export function Twice({ state, zone, onStrike }: { state: StepState; zone: string; onStrike: (entry: Entry) => void }) {
  return (
    <section className="pad" role="alert" aria-label="Two figures for one reading">
      <h2>Two figures for one reading</h2>
      <p className="hint">
        Two tablets wrote it without knowing of each other. Strike the one that is wrong; till then none counts.
      </p>
      {state.twice.flat().map((entry) => (
        <p className="row-line" key={entry.id}>
          <span>
            {entryLabel(state, entry)} <b className="fig">{entryValue(entry)}</b> <small>{clockTime(entry.at, zone)}</small>
          </span>
          <button type="button" className="strike" onClick={() => onStrike(entry)} aria-label={`Strike ${entryValue(entry)}`}>
            Strike
          </button>
        </p>
      ))}
    </section>
  )
}
