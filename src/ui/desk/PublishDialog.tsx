'use client'

import { useState } from 'react'
import { Button, Modal } from 'react-bootstrap'
import { State } from '../figures/State'

interface Props {
  title: string
  number: number
  /** Titles of the queries that have no answer. */
  open: readonly string[]
  /** Address of the safety sheet of this draft. */
  safetySheet: string
  onPublish: () => Promise<unknown>
  onClose: () => void
}

/** Before a draft is frozen: what it means, what is unanswered, and that its safety sheet was read. */
export function PublishDialog({ title, number, open, safetySheet, onPublish, onClose }: Props) {
  const [safetyRead, setSafetyRead] = useState(false)
  const [problem, setProblem] = useState<string>()
  return (
    <Modal show onHide={onClose} centered aria-labelledby="publish-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="publish-title">
          Publish draft {number} of {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>From then on it is frozen, and lab sessions can be set with it. A later change starts a new draft.</p>
        {open.length > 0 && (
          <State level="doubt">
            {open.length === 1 ? 'One query has no answer' : `${open.length} queries have no answer`}:{' '}
            {open.map((each) => each.toLowerCase()).join('; ')}.
          </State>
        )}
        <label className="confirm-safety">
          <input type="checkbox" checked={safetyRead} onChange={(event) => setSafetyRead(event.currentTarget.checked)} /> I have
          read the{' '}
          <a href={safetySheet} target="_blank" rel="noreferrer">
            safety sheet of this draft
          </a>{' '}
          and confirm it. It defers to the safety data sheets, to local rules and to the qualified person in charge.
        </label>
        {problem && <div className="problem">{problem}</div>}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="quiet" onClick={onClose}>
          Not yet
        </Button>
        <Button
          disabled={!safetyRead}
          onClick={() =>
            onPublish()
              .then(onClose)
              .catch((error: Error) => setProblem(error.message))
          }
        >
          Publish and freeze
        </Button>
      </Modal.Footer>
    </Modal>
  )
}
