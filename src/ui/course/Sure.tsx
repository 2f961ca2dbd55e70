'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'

/** A press that cannot be taken back: it asks once, and leaving it is enough to leave it. */
export function Sure({
  words,
  label,
  sure,
  busy,
  onTake,
}: {
  words: string
  label?: string
  sure: string
  busy: boolean
  onTake: () => void
}) {
  const [asked, setAsked] = useState(false)
  if (!asked)
    return (
      <Button variant="quiet" size="sm" {...(label === undefined ? {} : { 'aria-label': label })} onClick={() => setAsked(true)}>
        {words}
      </Button>
    )
  return (
    <Button variant="danger" size="sm" autoFocus disabled={busy} onBlur={() => setAsked(false)} onClick={onTake}>
      {sure}
    </Button>
  )
}
