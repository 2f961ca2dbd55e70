'use client'

import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from '../course/Problem'
import { useDone } from '../course/useDone'

/** Takes a cancelling back while the session is still ahead. */
export function RestoreSession({ session }: { session: string }) {
  const { problem, busy, run } = useDone()
  return (
    <>
      <Button
        variant="quiet"
        size="sm"
        disabled={busy}
        onClick={() => void run(async () => void (await call(`/api/sessions/${session}/restore`, 'POST')))}
      >
        Restore session
      </Button>
      <Problem words={problem} />
    </>
  )
}
