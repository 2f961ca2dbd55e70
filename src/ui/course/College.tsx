'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Words } from '@/core/words/say'
import { call } from '../call'
import { WordsFields } from '../words/WordsFields'
import { LinkShown } from './LinkShown'
import { Problem } from './Problem'
import { Sure } from './Sure'
import { Typed } from './Typed'
import { useDone } from './useDone'

interface Settings {
  title: string
  zone: string
  keepNamesMonths: number
  words: Words
}

interface Props {
  college: Settings | null
  courses: { id: string; title: string; term: string }[]
  people: {
    id: string
    name: string
    signIn: string
    administrator: boolean
    here: boolean
    withdrawn: boolean
    courses: string
  }[]
  me: string
  zones: string[]
  /** Whether links can be sent. */
  mail: boolean
}

/** What the college's administrator looks after: what it is called, its courses, everybody who works here. */
export function College({ college, courses, people, me, zones, mail }: Props) {
  const [shown, setShown] = useState<{ name: string; token: string }>()
  return (
    <>
      {college && <CollegeSettings key={JSON.stringify(college)} college={college} zones={zones} />}
      {shown && <LinkShown key={shown.token} {...shown} mail={mail} />}
      <Courses courses={courses} onInvited={setShown} />
      <Everybody people={people} me={me} onLink={setShown} />
    </>
  )
}

function CollegeSettings({ college, zones }: { college: Settings; zones: string[] }) {
  const { problem, field, busy, run } = useDone()
  const [wanted, setWanted] = useState({ ...college, keepNamesMonths: String(college.keepNamesMonths) })
  const months = Number(wanted.keepNamesMonths)
  return (
    <form
      className="in-a-row"
      noValidate
      aria-label="The college"
      onSubmit={(event) => {
        event.preventDefault()
        void run(() =>
          call('/api/college', 'PUT', { ...wanted, keepNamesMonths: wanted.keepNamesMonths.trim() === '' ? 0 : months }),
        )
      }}
    >
      <Typed label="College" name="title" value={wanted.title} onValue={(title) => setWanted({ ...wanted, title })} />
      <label>
        Its clock
        <select
          className="form-select form-select-sm"
          value={wanted.zone}
          onChange={(event) => setWanted({ ...wanted, zone: event.currentTarget.value })}
        >
          {[...new Set([wanted.zone, ...zones])].map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </select>
      </label>
      <label>
        Students’ names are kept, months
        <input
          className="form-control form-control-sm"
          inputMode="numeric"
          name="keepNamesMonths"
          value={wanted.keepNamesMonths}
          onChange={(event) => setWanted({ ...wanted, keepNamesMonths: event.currentTarget.value })}
        />
        <small className="quiet">
          {months > 0
            ? `after their last session; then runs keep their figures and lose the names`
            : '0: for as long as nobody forgets them'}
        </small>
      </label>
      <WordsFields value={wanted.words} onChange={(words) => setWanted({ ...wanted, words })} />
      <Button type="submit" disabled={busy}>
        Save
      </Button>
      <Problem words={problem} field={field} />
    </form>
  )
}

function Courses({
  courses,
  onInvited,
}: {
  courses: Props['courses']
  onInvited: (shown: { name: string; token: string }) => void
}) {
  const router = useRouter()
  const { problem, field: refusedField, busy, run } = useDone()
  const empty = { title: '', term: '', name: '', signIn: '' }
  const [wanted, setWanted] = useState(empty)
  const [said, setSaid] = useState<string>()
  const field = (key: keyof typeof empty, label: string, more: { placeholder?: string; autoCapitalize?: string } = {}) => (
    <Typed
      label={label}
      name={key === 'title' || key === 'term' ? key : `owner.${key}`}
      {...more}
      value={wanted[key]}
      onValue={(value) => setWanted({ ...wanted, [key]: value })}
    />
  )
  return (
    <section aria-labelledby="courses">
      <h2 className="section-title" id="courses">
        Courses
      </h2>
      {courses.length === 0 && <p>No course yet. Make the first, and name who owns it: yourself, or somebody you invite.</p>}
      <ul className="sheet-list">
        {courses.map(({ id, title, term }) => (
          <li key={id}>
            <b>{title}</b> <span className="quiet">{term}</span>
          </li>
        ))}
      </ul>
      <form
        className="in-a-row"
        noValidate
        aria-label="Make a course"
        onSubmit={(event) => {
          event.preventDefault()
          setSaid(undefined)
          const { title, term, name, signIn } = wanted
          void run(async () => {
            const { token } = await call<{ token: string | null }>('/api/college/courses', 'POST', {
              title,
              term,
              owner: { name, signIn },
            })
            if (token) onInvited({ name, token })
            else setSaid(`${title} is made; ${name} owns it.`)
            setWanted(empty)
            router.refresh()
          })
        }}
      >
        {field('title', 'Course')}
        {field('term', 'Term', { placeholder: 'autumn 2026' })}
        {field('name', 'Owner’s name')}
        {field('signIn', 'Owner signs in as', { autoCapitalize: 'none' })}
        <Button type="submit" disabled={busy}>
          Make the course
        </Button>
        {said && <p role="status">{said}</p>}
        <Problem words={problem} field={refusedField} />
      </form>
    </section>
  )
}

function Everybody({
  people,
  me,
  onLink,
}: {
  people: Props['people']
  me: string
  onLink: (shown: { name: string; token: string }) => void
}) {
  const { problem, busy, run } = useDone()
  return (
    <section aria-labelledby="everybody">
      <h2 className="section-title" id="everybody">
        Everybody who works here
      </h2>
      <Problem words={problem} />
      <table className="ruled people">
        <thead>
          <tr>
            <th scope="col">name</th>
            <th scope="col">signs in as</th>
            <th scope="col">in</th>
            <th scope="col">
              <span className="visually-hidden">what can be done</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {people.map(({ id, name, signIn, administrator, here, withdrawn, courses }) => (
            <tr key={id}>
              <th scope="row">
                {name}
                {(withdrawn || administrator || !here) && (
                  <small className="quiet">
                    {withdrawn ? 'withdrawn' : administrator ? 'looks after the college' : 'invited'}
                  </small>
                )}
              </th>
              <td className="fig">{signIn}</td>
              <td>{courses || '–'}</td>
              <td className="doing">
                <a className="btn btn-quiet btn-sm" href={`/api/college/people/${id}/held`} download={`${signIn}.json`}>
                  What is held
                </a>
                {withdrawn && (
                  <Button
                    variant="quiet"
                    size="sm"
                    disabled={busy}
                    aria-label={`Forget ${name}`}
                    onClick={() => void run(() => call(`/api/college/people/${id}/held`, 'DELETE'))}
                  >
                    Forget the name
                  </Button>
                )}
                {!withdrawn && (
                  <>
                    <Button
                      variant="quiet"
                      size="sm"
                      disabled={busy}
                      aria-label={`New link for ${name}`}
                      onClick={() =>
                        void run(async () => {
                          const { token } = await call<{ token: string }>(`/api/college/people/${id}/link`, 'POST', {})
                          onLink({ name, token })
                        })
                      }
                    >
                      New link
                    </Button>
                    <Button
                      variant="quiet"
                      size="sm"
                      disabled={busy}
                      aria-label={`${name} ${administrator ? 'no longer looks' : 'looks'} after the college`}
                      onClick={() =>
                        void run(() => call(`/api/college/people/${id}`, 'PATCH', { administrator: !administrator }))
                      }
                    >
                      {administrator ? 'Administrator no longer' : 'Make administrator'}
                    </Button>
                    {id !== me && (
                      <Sure
                        words="Withdraw"
                        label={`Withdraw ${name}`}
                        sure={`Yes, withdraw ${name}`}
                        busy={busy}
                        onTake={() => void run(() => call(`/api/college/people/${id}`, 'DELETE'))}
                      />
                    )}
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
