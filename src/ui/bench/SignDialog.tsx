'use client'

import { printed, type Words } from '@/core/words/words'
import { useState } from 'react'
import { Button, Form, Modal } from 'react-bootstrap'
import { call } from '../call'
import type { Numbered } from '../run/useLive'

interface Props {
  run: string
  step: { id: string; title: Words }
  onSigned: (entries: Numbered[]) => void
  onClose: () => void
}

/** A demonstrator signs on the bench's tablet with their own name and password, for this one signature. */
export function SignDialog({ run, step, onSigned, onClose }: Props) {
  const [signIn, setSignIn] = useState('')
  const [password, setPassword] = useState('')
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const sign = async () => {
    if (signIn.trim() === '' || password === '')
      return setProblem('A demonstrator gives name and password; the tablet stays this bench.')
    setBusy(true)
    try {
      const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${run}/signatures`, 'POST', {
        step: step.id,
        signer: { signIn, password },
      })
      onSigned(entries)
    } catch (error) {
      setProblem((error as Error).message)
      setBusy(false)
    }
  }
  return (
    <Modal show centered onHide={onClose} aria-labelledby="sign-title" className="bench-dialog">
      <form
        onSubmit={(event) => {
          event.preventDefault()
          void sign()
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="sign-title">
            Sign: {printed(step.title)}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <Form.Group controlId="signer">
            <Form.Label>Demonstrator’s name</Form.Label>
            <Form.Control
              autoFocus
              autoComplete="off"
              autoCapitalize="none"
              value={signIn}
              onChange={(event) => setSignIn(event.currentTarget.value)}
            />
          </Form.Group>
          <Form.Group controlId="signer-password" style={{ marginTop: 12 }}>
            <Form.Label>Password</Form.Label>
            <Form.Control
              type="password"
              autoComplete="off"
              value={password}
              onChange={(event) => setPassword(event.currentTarget.value)}
            />
          </Form.Group>
          {problem && (
            <p className="problem" role="alert">
              {problem}
            </p>
          )}
        </Modal.Body>
        <Modal.Footer>
          <Button type="submit" disabled={busy}>
            I have seen these readings: sign
          </Button>
        </Modal.Footer>
      </form>
    </Modal>
  )
}
