'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from './Problem'
import { useDone } from './useDone'

/** A link that is shown once, to be copied, read out or printed. */
export function LinkShown({ name, token, mail }: { name: string; token: string; mail: boolean }) {
  const [copied, setCopied] = useState(false)
  const { problem, busy, run } = useDone()
  const [to, setTo] = useState('')
  const [sent, setSent] = useState<string>()
  const link = `${window.location.origin}/invitation/${token}`
  return (
    <div className="link-shown" role="status">
      <p>
        <b>For {name}.</b> With this link they choose their password. It is shown only now, and is good for a week.
      </p>
      <p>
        <input
          className="form-control"
          readOnly
          aria-label={`Link for ${name}`}
          value={link}
          onFocus={(event) => event.currentTarget.select()}
        />
        <Button
          variant="quiet"
          className="no-print"
          onClick={() =>
            void navigator.clipboard.writeText(link).then(
              () => setCopied(true),
              () => setCopied(false),
            )
          }
        >
          {copied ? 'Copied' : 'Copy the link'}
        </Button>
      </p>
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
