'use client'

import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from './Problem'
import { Typed } from './Typed'
import { useDone } from './useDone'

interface Props {
  course: { id: string; title: string; term: string; approval: boolean }
}

/** What the course is called and its term, whether plans are approved by a second person, and its copy into the next term. */
export function Term({ course }: Props) {
  return (
    <section aria-labelledby="term">
      <h2 className="section-title" id="term">
        Term
      </h2>
      <Change key={`${course.title} ${course.term} ${course.approval}`} course={course} />
      <Copy course={course} />
    </section>
  )
}

function Change({ course }: Props) {
  const { problem, field, busy, run } = useDone()
  const [wanted, setWanted] = useState({ title: course.title, term: course.term, approval: course.approval })
  const same = wanted.title === course.title && wanted.term === course.term && wanted.approval === course.approval
  return (
    <form
      className="in-a-row"
      noValidate
      aria-label="Title and term"
      onSubmit={(event) => {
        event.preventDefault()
        void run(() => call(`/api/courses/${course.id}`, 'PUT', wanted))
      }}
    >
      <Typed label="Course" name="title" value={wanted.title} onValue={(title) => setWanted({ ...wanted, title })} />
      <Typed
        label="Term"
        name="term"
        placeholder="autumn 2026"
        value={wanted.term}
        onValue={(term) => setWanted({ ...wanted, term })}
      />
      <label className="check">
        <input
          type="checkbox"
          className="form-check-input"
          checked={wanted.approval}
          onChange={(event) => setWanted({ ...wanted, approval: event.currentTarget.checked })}
        />
        A second person approves a plan before a session of it is set
      </label>
      <Button type="submit" disabled={busy || same}>
        Save
      </Button>
      <Problem words={problem} field={field} />
    </form>
  )
}

function Copy({ course }: Props) {
  const router = useRouter()
  const { problem, field, busy, run } = useDone()
  const [wanted, setWanted] = useState({ title: course.title, term: '' })
  const copy = (event: FormEvent) => {
    event.preventDefault()
    void run(async () => {
      const { id } = await call<{ id: string }>(`/api/courses/${course.id}/copy`, 'POST', wanted)
      await call('/api/course', 'POST', { course: id })
      router.push('/course')
    })
  }
  return (
    <form className="in-a-row" noValidate onSubmit={copy} aria-label="Copy into a new term">
      <Typed label="Copied as" name="title" value={wanted.title} onValue={(title) => setWanted({ ...wanted, title })} />
      <Typed
        label="Into the term"
        name="term"
        placeholder="spring 2027"
        value={wanted.term}
        onValue={(term) => setWanted({ ...wanted, term })}
      />
      <Button type="submit" variant="quiet" disabled={busy || wanted.term.trim() === ''}>
        Copy into a new term
      </Button>
      <small className="quiet">With its plans, settings and stock; without its people, groups and runs. You own the copy.</small>
      <Problem words={problem} field={field} />
    </form>
  )
}
