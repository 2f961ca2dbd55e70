'use client'

import type { PersonView } from '@/views/people'
import { useState, type FormEvent } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { longDay } from '../time'
import { LinkShown } from './LinkShown'
import { Problem } from './Problem'
import { roleNames, roleWords, type Role } from './roles'
import { Sure } from './Sure'
import { Typed } from './Typed'
import { useDone } from './useDone'

/** The people of a course: who they are, what they may do; invited, let in anew, taken out. */
export function People({
  course,
  people,
  me,
  zone,
  mail,
}: {
  course: string
  people: PersonView[]
  me: string
  zone: string
  mail: boolean
}) {
  const { problem, busy, run } = useDone()
  const [shown, setShown] = useState<{ name: string; token: string }>()
  const at = (user: string) => `/api/courses/${course}/people/${user}`
  return (
    <section aria-labelledby="people">
      <h2 className="section-title" id="people">
        People
      </h2>
      <Problem words={problem} />
      {shown && <LinkShown key={shown.token} {...shown} mail={mail} />}
      <table className="ruled people">
        <thead>
          <tr>
            <th scope="col">name</th>
            <th scope="col">signs in as</th>
            <th scope="col">role</th>
            <th scope="col">
              <span className="visually-hidden">what can be done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {people.map(({ id, name, signIn, role, here, linkUntil, mayLink }) => (
            <tr key={id}>
              <th scope="row">
                {name}
                {!here && (
                  <small className="quiet">
                    {linkUntil ? `invited, link good until ${longDay(linkUntil, zone)}` : 'invited, the link has ended'}
                  </small>
                )}
              </th>
              <td className="fig">{signIn}</td>
              <td>
                <select
                  className="form-select form-select-sm"
                  aria-label={`Role of ${name}`}
                  value={role}
                  disabled={busy}
                  onChange={(event) => {
                    const wanted = event.currentTarget.value
                    void run(() => call(at(id), 'PATCH', { role: wanted }))
                  }}
                >
                  {roleNames.map((each) => (
                    <option key={each} value={each}>
                      {each}
                    </option>
                  ))}
                </select>
                <small className="quiet">{roleWords[role]}</small>
              </td>
              <td className="doing">
                {mayLink && (
                  <Button
                    variant="quiet"
                    size="sm"
                    disabled={busy}
                    aria-label={`New link for ${name}`}
                    onClick={() =>
                      void run(async () => {
                        const { token } = await call<{ token: string }>(`${at(id)}/link`, 'POST', {})
                        setShown({ name, token })
                      })
                    }
                  >
                    New link
                  </Button>
                )}
                {id !== me && (
                  <Sure
                    words="Take out"
                    label={`Take ${name} out`}
                    sure={`Yes, take ${name} out`}
                    busy={busy}
                    onTake={() => void run(() => call(at(id), 'DELETE'))}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <Invite course={course} onInvited={setShown} />
    </section>
  )
}

function Invite({
  course,
  onInvited,
}: {
  course: string
  onInvited: (shown: { name: string; token: string } | undefined) => void
}) {
  const { problem, field, busy, run } = useDone()
  const empty = { name: '', signIn: '', role: 'demonstrator' as Role }
  const [wanted, setWanted] = useState(empty)
  const [said, setSaid] = useState<string>()
  const invite = (event: FormEvent) => {
    event.preventDefault()
    setSaid(undefined)
    onInvited(undefined)
    void run(async () => {
      const { token } = await call<{ token: string | null }>(`/api/courses/${course}/people`, 'POST', wanted)
      if (token) onInvited({ name: wanted.name, token })
      else setSaid(`${wanted.name} is known here already and belongs to this course from now on.`)
      setWanted(empty)
    })
  }
  return (
    <form onSubmit={invite} noValidate className="in-a-row no-print" aria-label="Invite a person">
      <Typed label="Name" name="name" value={wanted.name} onValue={(name) => setWanted({ ...wanted, name })} />
      <Typed
        label="Signs in as"
        name="signIn"
        autoCapitalize="none"
        value={wanted.signIn}
        onValue={(signIn) => setWanted({ ...wanted, signIn })}
      />
      <label>
        Role
        <select
          className="form-select form-select-sm"
          value={wanted.role}
          onChange={(event) => setWanted({ ...wanted, role: event.currentTarget.value as Role })}
        >
          {roleNames.map((each) => (
            <option key={each} value={each}>
              {each}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit" disabled={busy}>
        Invite
      </Button>
      {said && <p role="status">{said}</p>}
      <Problem words={problem} field={field} />
    </form>
  )
}
