'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'

/** A link that is shown once, to be copied, read out or printed. */
export function LinkShown({ name, token }: { name: string; token: string }) {
  const [copied, setCopied] = useState(false)
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
    </div>
  )
}
