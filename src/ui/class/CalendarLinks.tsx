'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from '../course/Problem'
import { useDone } from '../course/useDone'

/** The sessions of a course as a file for a calendar, or as an address that a calendar follows. */
export function CalendarLinks({ course }: { course: string }) {
  const { problem, busy, run } = useDone()
  const [address, setAddress] = useState<string>()
  return (
    <p className="doing no-print calendar-links">
      <a className="btn btn-quiet btn-sm" href={`/api/courses/${course}/sessions.ics`} download>
        Calendar file
      </a>
      <Button
        variant="quiet"
        size="sm"
        disabled={busy}
        onClick={() =>
          void run(async () => {
            const { token } = await call<{ token: string }>('/api/calendar', 'POST', {})
            setAddress(`${window.location.origin}/api/calendar/${token}.ics`)
          })
        }
      >
        Address for my calendar
      </Button>
      {address && (
        <label>
          Secret, yours alone, and without names; it ends when a new one is made
          <input className="form-control fig" readOnly value={address} onFocus={(event) => event.currentTarget.select()} />
        </label>
      )}
      <Problem words={problem} />
    </p>
  )
}
