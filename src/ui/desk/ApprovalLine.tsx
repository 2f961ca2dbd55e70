'use client'

import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from '../course/Problem'
import { useDone } from '../course/useDone'
import { State } from '../figures/State'
import { longDay } from '../time'

interface Props {
  revision: string
  approval: { needed: boolean; by: { name: string; at: string } | null; may: boolean }
  zone: string
  mayApprove: boolean
}

/** Whether the qualified person has approved the plan, and the press with which a second one does. */
export function ApprovalLine({ revision, approval: { needed, by, may }, zone, mayApprove }: Props) {
  const { problem, busy, run } = useDone()
  if (!needed && !by) return null
  return (
    <div className="approval">
      {by ? (
        <State level="good">
          Approved by {by.name}, {longDay(by.at, zone)}
        </State>
      ) : (
        <State level="doubt">Not approved yet: no session of it can be set before a second person has.</State>
      )}
      {mayApprove && may && (
        <Button
          className="no-print"
          disabled={busy}
          onClick={() => void run(() => call(`/api/revisions/${revision}/approve`, 'POST', {}))}
        >
          I have read it, and approve it
        </Button>
      )}
      <Problem words={problem} />
    </div>
  )
}
