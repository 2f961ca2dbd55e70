'use client'

import { call } from '../call'
import { Problem } from '../course/Problem'
import { useDone } from '../course/useDone'

/** Who of a bench is there: pressing a name says that they are absent today, or came after all. */
export function Presence({ run, people }: { run: string; people: { id: string; name: string | null; absent: boolean }[] }) {
  const { problem, busy, run: does } = useDone()
  return (
    <span className="presence">
      {people.map(({ id, name, absent }) => (
        <button
          key={id}
          type="button"
          className="plain-name"
          aria-pressed={absent}
          disabled={busy}
          title={absent ? 'came after all' : 'is absent'}
          onClick={() =>
            void does(() =>
              call(`/api/runs/${run}/absent`, 'PUT', {
                absent: people.filter((each) => (each.id === id ? !absent : each.absent)).map((each) => each.id),
              }),
            )
          }
        >
          {name ?? 'no longer named'}
          {absent && <small> absent</small>}
        </button>
      ))}
      <Problem words={problem} />
    </span>
  )
}
