'use client'

import { useState } from 'react'
import { call } from '../call'
import { Problem } from './Problem'
import { Sure } from './Sure'
import { useDone } from './useDone'
import type { Member } from './member'

/** A student in a list: pressing the name offers what is held of them, and to forget them. */
export function StudentRow({ member: { id, name }, mayWrite }: { member: Member; mayWrite: boolean }) {
  const { problem, busy, run } = useDone()
  const [open, setOpen] = useState(false)
  if (name === null) return <span className="quiet student">no longer named</span>
  if (!mayWrite) return <span className="student">{name}</span>
  return (
    <span className="student">
      <button type="button" className="plain-name" aria-expanded={open} onClick={() => setOpen(!open)}>
        {name}
      </button>
      {open && (
        <span className="student-doing">
          <a className="btn btn-quiet btn-sm" href={`/api/students/${id}`} download={`${name}.json`}>
            What is held of {name}
          </a>
          <Sure
            words={`Forget ${name}`}
            sure={`Yes, forget ${name} for good`}
            busy={busy}
            onTake={() => void run(() => call(`/api/students/${id}`, 'DELETE'))}
          />
          <small className="quiet">The name goes from every group and run; readings and results stay as they are.</small>
          <Problem words={problem} />
        </span>
      )}
    </span>
  )
}
