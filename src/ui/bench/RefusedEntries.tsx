'use client'

import type { RunState } from '@/core/run/foldRun'
import { entryLabel, entryValue } from '../run/labels'
import type { RefusedEntry } from '../run/outbox'

interface Props {
  run: RunState
  refused: readonly RefusedEntry[]
  onAgain: (id: string) => void
  onDrop: (id: string) => void
}

/** What the book did not take: what it says, why, and what to do. It stays on this tablet until somebody has seen to it. */
export function RefusedEntries({ run, refused, onAgain, onDrop }: Props) {
  if (refused.length === 0) return null
  return (
    <section className="pad refused" aria-label="Not taken into the book" role="alert">
      <h2>{refused.length === 1 ? 'One entry is not in the book' : `${refused.length} entries are not in the book`}</h2>
      <ul>
        {refused.map(({ entry, why }) => {
          const state = run.steps.find(({ step }) => step.id === entry.step)
          const name = state ? `${state.step.title}: ${entryLabel(state, entry)}` : entry.step
          return (
            <li key={entry.id}>
              <b>{name}</b> <span className="fig">{entryValue(entry)}</span>
              <p>{why}</p>
              <p className="hint">Write it down again where it belongs, or tell the demonstrator. Then take it off here.</p>
              <div className="choice">
                <button type="button" onClick={() => onAgain(entry.id)}>
                  Send it again
                </button>
                <button type="button" onClick={() => onDrop(entry.id)}>
                  Take it off this tablet
                </button>
              </div>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
