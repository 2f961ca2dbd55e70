'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from './Problem'
import { ToCopy } from './ToCopy'
import { useDone } from './useDone'

/** A link that is shown once, to be copied, read out or printed. */
export function LinkShown({ name, token, mail }: { name: string; token: string; mail: boolean }) {
  const { problem, busy, run } = useDone()
  const [to, setTo] = useState('')
  const [sent, setSent] = useState<string>()
  const link = `${window.location.origin}/invitation/${token}`
  return (
    <div className="link-shown" role="status">
      <p>
        <b>For {name}.</b> With this link they choose their password. It is shown only now, and is good for a week.
      </p>
      <ToCopy label={`Link for ${name}`} value={link} words="Copy the link" />
      {mail && (
        <form
          className="in-a-row no-print"
          noValidate
          aria-label="Send the link"
          onSubmit={(event) => {
            event.preventDefault()
            setSent(undefined)
            void run(() => call(`/api/invitations/${token}/mail`, 'POST', { to })).then((done) => done && setSent(to))
          }}
        >
          <label className="wide">
            By mail to
            <input className="form-control" type="email" value={to} onChange={(event) => setTo(event.currentTarget.value)} />
          </label>
          <Button type="submit" variant="quiet" disabled={busy}>
            Send it
          </Button>
          {sent && <p>Sent to {sent}; the address is kept nowhere.</p>}
          <Problem words={problem} />
        </form>
      )}
    </div>
  )
}
