'use client'

import { useRef, useState } from 'react'
import { Button } from 'react-bootstrap'
import { groupChanges, readGroups, writeGroups, type GroupNames } from '@/core/classroom/groupsText'
import { call } from '../call'
import type { Member } from './member'
import { StudentRow } from './StudentRow'
import { Problem } from './Problem'
import { useDone } from './useDone'

const asNames = (groups: readonly { bench: number; members: Member[] }[]): GroupNames[] =>
  groups.map(({ bench, members }) => ({ bench, names: members.flatMap(({ name }) => name ?? []) }))

/** The groups of a section: read as a list, written as text that can be typed, pasted or dropped in from a file, with what would change beside it. */
export function Groups({
  section,
  groups,
  mayWrite,
}: {
  section: string
  groups: readonly { id: string; bench: number; members: Member[] }[]
  mayWrite: boolean
}) {
  const { problem, busy, run } = useDone()
  const [text, setText] = useState<string>()
  // Who was in the groups when the text was opened: what somebody else changes meanwhile is not written over.
  const [seen, setSeen] = useState<string[]>([])
  const file = useRef<HTMLInputElement>(null)
  const before = asNames(groups)
  const open = () => {
    setText(writeGroups(before))
    setSeen(groups.flatMap(({ members }) => members.map(({ id }) => id)))
  }
  if (text === undefined)
    return (
      <>
        {groups.length === 0 ? (
          <p className="quiet">No groups yet.</p>
        ) : (
          <ol className="group-list">
            {groups.map(({ id, bench, members }) => (
              <li key={id} value={bench}>
                <span className="fig bench-number">{bench}</span>
                <span>
                  {members.map((member) => (
                    <StudentRow key={member.id} member={member} mayWrite={mayWrite} />
                  ))}
                  {members.length === 0 && <span className="quiet">nobody</span>}
                </span>
              </li>
            ))}
          </ol>
        )}
        {mayWrite && (
          <Button className="no-print" variant="quiet" size="sm" onClick={open}>
            {groups.length === 0 ? 'Type or paste the groups' : 'Change the groups'}
          </Button>
        )}
      </>
    )
  const { groups: after, problems } = readGroups(text)
  const changes = groupChanges(before, after)
  return (
    <div className="groups-text">
      <label>
        One line a bench: its number, then who works there
        <textarea
          className="form-control fig"
          autoFocus
          rows={Math.min(24, Math.max(6, text.split('\n').length + 1))}
          value={text}
          spellCheck={false}
          placeholder={'1, Adeyemi, Kowal\n2, Brandt, Osei'}
          onChange={(event) => setText(event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Escape' && text === writeGroups(before) && setText(undefined)}
        />
      </label>
      <div role="status" className="would-change">
        {problems.length > 0 && (
          <>
            <b className="problem">
              {problems.length === 1 ? 'One line cannot stand' : `${problems.length} lines cannot stand`}, and would be left out
            </b>
            <ul>
              {problems.map(({ line, words }) => (
                <li key={line} className="problem">
                  Line {line}: {words}
                </li>
              ))}
            </ul>
          </>
        )}
        <b>{changes.length === 0 ? 'Nothing would change.' : 'Saving would change'}</b>
        {changes.length > 0 && (
          <ul>
            {changes.map(({ words }) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
      </div>
      <p className="doing">
        <Button
          disabled={busy || changes.length === 0}
          onClick={() =>
            void run(() => call(`/api/sections/${section}/groups`, 'PUT', { groups: after, seen })).then(
              (done) => done && setText(undefined),
            )
          }
        >
          {problems.length === 0 ? 'Save the groups' : 'Save the lines that can stand'}
        </Button>
        <Button variant="quiet" onClick={() => file.current?.click()}>
          Read a CSV file
        </Button>
        <input
          ref={file}
          type="file"
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          hidden
          aria-label="CSV file of the groups"
          onChange={(event) => {
            const chosen = event.currentTarget.files?.[0]
            event.currentTarget.value = ''
            if (chosen) void chosen.text().then(setText)
          }}
        />
        <Button variant="quiet" onClick={() => setText(undefined)}>
          Leave them as they are
        </Button>
      </p>
      <Problem words={problem} />
    </div>
  )
}
