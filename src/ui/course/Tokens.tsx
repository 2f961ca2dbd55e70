'use client'

import type { TokenView } from '@/views/people'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { State } from '../figures/State'
import { ago, fullDay } from '../time'
import { Problem } from './Problem'
import { Sure } from './Sure'
import { ToCopy } from './ToCopy'
import { Typed } from './Typed'
import { useDone } from './useDone'

interface Props {
  tokens: TokenView[]
  rights: readonly string[]
  courses: { id: string; title: string; term: string }[]
  zone: string
  now: string
}

/** What each right lets a program do, for whoever gives it. */
const saysOf: Readonly<Record<string, string>> = {
  'people.read': 'read who works in a course, its sections and students',
  'people.write': 'bring people into courses in any role, owners too, and change sections and groups',
  'sessions.read': 'read which sessions are set, and for which plans',
  'sessions.write': 'set, move and cancel sessions',
  'results.read': 'read the results of sessions, with the names of their groups',
  'archives.read': 'read whole sessions, with everything that was written in them',
}

/** The tokens with which the college's other systems ask: what each may do, until when, and when it last did. */
export function Tokens({ tokens, rights, courses, zone, now }: Props) {
  const [made, setMade] = useState<{ name: string; token: string }>()
  return (
    <>
      <p>
        A registry, a timetable or an archive of the college can ask Mozle with a token of its own.{' '}
        <a href="/api/openapi.json">What can be asked, and how (OpenAPI)</a>
      </p>
      {made && <Shown key={made.token} {...made} />}
      <Make rights={rights} courses={courses} onMade={setMade} />
      <h2 className="section-title">Tokens</h2>
      {tokens.length === 0 ? (
        <p className="quiet">None yet: no program gets in.</p>
      ) : (
        <div className="board-scroll" tabIndex={0} role="region" aria-label="Tokens">
          <List tokens={tokens} zone={zone} now={now} />
        </div>
      )}
    </>
  )
}

/** The secret, once. */
const Shown = ({ name, token }: { name: string; token: string }) => (
  <div className="link-shown" role="status">
    <p>
      <b>For {name}.</b> It is shown only now and kept nowhere: put it where that program keeps its secrets.
    </p>
    <ToCopy label={`Token for ${name}`} value={token} words="Copy the token" />
  </div>
)

/** A year: long enough to be no burden, short enough to be looked at again. */
const usualDays = '365'

function Make({
  rights,
  courses,
  onMade,
}: Pick<Props, 'rights' | 'courses'> & { onMade: (made: { name: string; token: string }) => void }) {
  const { problem, field, busy, run } = useDone()
  const [name, setName] = useState('')
  const [course, setCourse] = useState('')
  const [days, setDays] = useState(usualDays)
  const [chosen, setChosen] = useState<readonly string[]>([])
  return (
    <form
      noValidate
      aria-label="Make a token"
      className="make-token"
      onSubmit={(event) => {
        event.preventDefault()
        void run(async () => {
          const asked = { name, rights: chosen, course: course === '' ? null : course, days: Number(days) }
          const { token } = await call<{ token: string }>('/api/college/tokens', 'POST', asked)
          onMade({ name, token })
          setName('')
          setChosen([])
        })
      }}
    >
      <div className="in-a-row">
        <Typed label="Which system" name="name" value={name} placeholder="registry" onValue={setName} />
        <label>
          Good for
          <select
            className="form-select form-select-sm"
            value={course}
            onChange={(event) => setCourse(event.currentTarget.value)}
          >
            <option value="">every course, later ones too</option>
            {courses.map(({ id, title, term }) => (
              <option key={id} value={id}>
                {[title, term].filter(Boolean).join(', ')}
              </option>
            ))}
          </select>
        </label>
        <label>
          Ends after, days
          <input
            className="form-control form-control-sm"
            inputMode="numeric"
            name="days"
            value={days}
            onChange={(event) => setDays(event.currentTarget.value)}
          />
        </label>
      </div>
      <fieldset>
        <legend>What it may do</legend>
        {rights.map((right) => (
          <label key={right} className="tick">
            <input
              type="checkbox"
              checked={chosen.includes(right)}
              onChange={(event) =>
                setChosen(event.currentTarget.checked ? [...chosen, right] : chosen.filter((each) => each !== right))
              }
            />
            <span>
              <b>{right}</b> {saysOf[right]}
            </span>
          </label>
        ))}
      </fieldset>
      <Button type="submit" disabled={busy}>
        Make the token
      </Button>
      <Problem words={problem} field={field} />
    </form>
  )
}

function List({ tokens, zone, now }: Pick<Props, 'tokens' | 'zone' | 'now'>) {
  const { problem, busy, run } = useDone()
  const when = (at: string) => fullDay(at, zone)
  return (
    <>
      <Problem words={problem} />
      <table className="ruled people">
        <thead>
          <tr>
            <th scope="col">system</th>
            <th scope="col">may</th>
            <th scope="col">good for</th>
            <th scope="col">until</th>
            <th scope="col">last used</th>
            <th scope="col">
              <span className="visually-hidden">what can be done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {tokens.map(({ id, name, rights, course, madeAt, madeBy, endsAt, usedAt, withdrawnAt }) => (
            <tr key={id}>
              <th scope="row">
                {name}
                <small className="quiet">
                  made {when(madeAt)} by {madeBy}
                </small>
              </th>
              <td className="fig">{rights.join(', ')}</td>
              <td>{course ?? 'every course'}</td>
              <td>
                {withdrawnAt ? (
                  <State level="danger">withdrawn {when(withdrawnAt)}</State>
                ) : endsAt < now ? (
                  <State level="danger">ended {when(endsAt)}</State>
                ) : (
                  when(endsAt)
                )}
              </td>
              <td>{usedAt ? ago(usedAt, Date.parse(now)) : 'never'}</td>
              <td className="doing">
                {!withdrawnAt && endsAt >= now && (
                  <Sure
                    words="Withdraw"
                    label={`Withdraw the token of ${name}`}
                    sure={`Yes, withdraw it from ${name}`}
                    busy={busy}
                    onTake={() => void run(() => call(`/api/college/tokens/${id}`, 'DELETE'))}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
