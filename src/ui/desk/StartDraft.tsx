'use client'

import { Button, Modal } from 'react-bootstrap'

interface Props {
  /** Number of the frozen revision. */
  number: number
  /** What was just changed. */
  label: string
  onStart: () => void
  onLeave: () => void
}

/** The first change to a frozen revision: it stays as it is, and a draft is offered for the change. */
export function StartDraft({ number, label, onStart, onLeave }: Props) {
  return (
    <Modal show onHide={onLeave} centered aria-labelledby="start-draft-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="start-draft-title">
          Start draft {number + 1}?
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          Revision {number} is frozen: what was set and run with it stays as it was. Your change ({label}) goes into a draft of
          its own, which nobody works with until it is published. A draft can be discarded.
        </p>
      </Modal.Body>
      <Modal.Footer>
        <Button variant="quiet" onClick={onLeave}>
          Leave revision {number} as it is
        </Button>
        <Button autoFocus onClick={onStart}>
          Start draft {number + 1}
        </Button>
      </Modal.Footer>
    </Modal>
  )
}
