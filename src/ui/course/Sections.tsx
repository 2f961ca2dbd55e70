'use client'

import type { SectionView } from '@/views/people'
import { useState, type FormEvent } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Groups } from './Groups'
import { Problem } from './Problem'
import { useDone } from './useDone'

/** The sections of a course, each with its groups. */
export function Sections({ course, sections, mayWrite }: { course: string; sections: SectionView[]; mayWrite: boolean }) {
  const { problem, busy, run } = useDone()
  const [name, setName] = useState('')
  const add = (event: FormEvent) => {
    event.preventDefault()
    void run(() => call(`/api/courses/${course}/sections`, 'POST', { name })).then((made) => made && setName(''))
  }
  return (
    <section aria-labelledby="sections">
      <h2 className="section-title" id="sections">
        Sections and groups
      </h2>
      {sections.length === 0 && <p>No section yet. Make one, then type or paste its groups.</p>}
      {sections.map((section) => (
        <SectionSheet key={section.id} section={section} mayWrite={mayWrite} />
      ))}
      {mayWrite && (
        <form onSubmit={add} noValidate className="in-a-row no-print" aria-label="Make a section">
          <label>
            New section
            <input
              className="form-control form-control-sm"
              value={name}
              placeholder="Section C"
              onChange={(event) => setName(event.currentTarget.value)}
            />
          </label>
          <Button type="submit" disabled={busy}>
            Make the section
          </Button>
          <Problem words={problem} />
        </form>
      )}
    </section>
  )
}

function SectionSheet({ section, mayWrite }: { section: SectionView; mayWrite: boolean }) {
  const { id, name, groups, sessions } = section
  const { problem, busy, run } = useDone()
  const [renaming, setRenaming] = useState<string>()
  const people = groups.reduce((sum, { members }) => sum + members.length, 0)
  return (
    <article className="section-sheet" aria-label={name}>
      <h3>
        {name}{' '}
        <small>
          {groups.length} {groups.length === 1 ? 'group' : 'groups'}, {people} {people === 1 ? 'person' : 'people'}
        </small>
      </h3>
      <Problem words={problem} />
      <Groups section={id} groups={groups} mayWrite={mayWrite} />
      {mayWrite && (
        <div className="no-print doing">
          {renaming === undefined ? (
            <Button variant="quiet" size="sm" onClick={() => setRenaming(name)} aria-label={`Rename ${name}`}>
              Rename
            </Button>
          ) : (
            <form
              className="in-a-row"
              onSubmit={(event) => {
                event.preventDefault()
                void run(() => call(`/api/sections/${id}`, 'PATCH', { name: renaming })).then(
                  (done) => done && setRenaming(undefined),
                )
              }}
            >
              <input
                className="form-control form-control-sm"
                aria-label={`New name of ${name}`}
                autoFocus
                value={renaming}
                onChange={(event) => setRenaming(event.currentTarget.value)}
                onKeyDown={(event) => event.key === 'Escape' && setRenaming(undefined)}
              />
              <Button type="submit" size="sm" disabled={busy}>
                Rename
              </Button>
            </form>
          )}
          {sessions === 0 && (
            <Button
              variant="quiet"
              size="sm"
              disabled={busy}
              aria-label={`Take ${name} away`}
              onClick={() => void run(() => call(`/api/sections/${id}`, 'DELETE'))}
            >
              Take away
            </Button>
          )}
        </div>
      )}
    </article>
  )
}
