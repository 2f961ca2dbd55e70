import { useState } from 'react'
import { Button } from 'react-bootstrap'

/** Something that is shown once, to be copied, read out or printed. */
export function ToCopy({ label, value, words }: { label: string; value: string; words: string }) {
  const [copied, setCopied] = useState(false)
  return (
    <p>
      <input
        className="form-control"
        readOnly
        aria-label={label}
        value={value}
        onFocus={(event) => event.currentTarget.select()}
      />
      <Button
        variant="quiet"
        className="no-print"
        onClick={() =>
          void navigator.clipboard.writeText(value).then(
            () => setCopied(true),
            () => setCopied(false),
          )
        }
      >
        {copied ? 'Copied' : words}
      </Button>
    </p>
  )
}
