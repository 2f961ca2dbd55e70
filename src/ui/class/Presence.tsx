'use client'

import { useState } from 'react'
import { call } from '../call'
import { Problem } from '../course/Problem'
import { useDone } from '../course/useDone'

interface Member {
  id: string
  name: string | null
  absent: boolean
}

/** Who of a bench is there: a name is pressed, and a second press says that they are absent today, or came after all. One touch alone marks nobody. */
export function Presence({ run, people }: { run: string; people: Member[] }) {
  const { problem, busy, run: does } = useDone()
  const [asked, setAsked] = useState<string>()
  const mark = async ({ id, absent }: Member) => {
    setAsked(undefined)
    await does(() =>
      call(`/api/runs/${run}/absent`, 'PUT', {
        absent: people.filter((each) => (each.id === id ? !absent : each.absent)).map((each) => each.id),
      }),
    )
  }
  return (
    <span className="presence">
      {people.map((person) => {
        const name = person.name ?? 'no longer named'
        return (
          <span key={person.id} className="member">
            <button
              type="button"
              className={`plain-name${person.absent ? ' absent' : ''}`}
              aria-expanded={asked === person.id}
              disabled={busy}
              onClick={() => setAsked(asked === person.id ? undefined : person.id)}
            >
              {name}
              {person.absent && <small> absent</small>}
            </button>
            {asked === person.id && (
              <span className="sure">
                <button type="button" className="btn btn-quiet btn-sm" onClick={() => void mark(person)}>
                  Mark {name} {person.absent ? 'present' : 'absent'}
                </button>
                <button
                  type="button"
                  className="btn btn-quiet btn-sm"
                  aria-label={`Leave ${name} as before`}
                  onClick={() => setAsked(undefined)}
                >
                  Cancel
                </button>
              </span>
            )}
          </span>
        )
      })}
      <Problem words={problem} />
    </span>
  )
}
