'use client'

import type { SignerView } from '@/views/people'
import { printed, type Words } from '@/core/words/words'
import { useEffect, useState } from 'react'
import { Button, Form, Modal } from 'react-bootstrap'
import { Problem } from '../course/Problem'
import { refusalOf, type Refused } from '../course/refusalOf'
import { call } from '../call'
import type { Numbered } from '../run/useLive'

interface Props {
  run: string
  /** The steps that wait for a signature. */
  steps: readonly { id: string; title: Words }[]
  /** The one that was pressed. */
  first: string
  onSigned: (entries: Numbered[]) => void
  onClose: () => void
}

/** A demonstrator signs on the bench's tablet, by a PIN or with name and password, for one step or all that wait; the tablet stays the bench. */
export function SignDialog({ run, steps, first, onSigned, onClose }: Props) {
  const [signers, setSigners] = useState<SignerView[]>([])
  const [who, setWho] = useState<string>()
  const [pin, setPin] = useState('')
  const [signIn, setSignIn] = useState('')
  const [password, setPassword] = useState('')
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set([first]))
  const [problem, setProblem] = useState<Refused>()
  const [busy, setBusy] = useState(false)
  useEffect(() => {
    call<{ signers: SignerView[] }>(`/api/runs/${run}/signatures`, 'GET').then(
      ({ signers: all }) => setSigners(all.filter((each) => each.pin)),
      () => {
        // By name and password it is signed as well.
      },
    )
  }, [run])
  const sign = async () => {
    if (chosen.size === 0) return setProblem({ words: 'Choose what is signed.' })
    if (who !== undefined && !/^\d{4,8}$/.test(pin)) return setProblem({ words: 'A PIN has four to eight digits.', field: 'pin' })
    if (who === undefined && (signIn.trim() === '' || password === ''))
      return setProblem({
        words: 'A demonstrator gives name and password; the tablet stays this bench.',
        field: signIn.trim() === '' ? 'signIn' : 'password',
      })
    setProblem(undefined)
    setBusy(true)
    try {
      const { entries } = await call<{ entries: Numbered[] }>(`/api/runs/${run}/signatures`, 'POST', {
        steps: steps.map(({ id }) => id).filter((id) => chosen.has(id)),
        ...(who === undefined ? { signer: { signIn, password } } : { pin: { person: who, pin } }),
      })
      onSigned(entries)
    } catch (error) {
      setProblem(refusalOf(error))
      setPin('')
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
            {steps.length > 1 ? 'Sign what was seen' : `Sign: ${steps.map(({ title }) => printed(title)).join()}`}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          {steps.length > 1 &&
            steps.map(({ id, title }) => (
              <Form.Check
                key={id}
                id={`sign-${id}`}
                label={printed(title)}
                checked={chosen.has(id)}
                onChange={(event) => {
                  const next = new Set(chosen)
                  if (event.currentTarget.checked) next.add(id)
                  else next.delete(id)
                  setChosen(next)
                }}
              />
            ))}
          {signers.length > 0 && (
            <div className="signers" role="group" aria-label="Who signs">
              {signers.map(({ id, name }) => (
                <button
                  key={id}
                  type="button"
                  aria-pressed={who === id}
                  onClick={() => {
                    setWho(who === id ? undefined : id)
                    setProblem(undefined)
                  }}
                >
                  {name}
                </button>
              ))}
            </div>
          )}
          {who !== undefined ? (
            <Form.Group controlId="signer-pin">
              <Form.Label>PIN</Form.Label>
              <Form.Control
                autoFocus
                type="password"
                inputMode="numeric"
                autoComplete="off"
                maxLength={8}
                disabled={busy}
                name="pin"
                value={pin}
                onChange={(event) => setPin(event.currentTarget.value)}
              />
            </Form.Group>
          ) : (
            <>
              <Form.Group controlId="signer">
                <Form.Label>Demonstrator’s name</Form.Label>
                <Form.Control
                  autoFocus
                  autoComplete="off"
                  autoCapitalize="none"
                  name="signIn"
                  value={signIn}
                  onChange={(event) => setSignIn(event.currentTarget.value)}
                />
              </Form.Group>
              <Form.Group controlId="signer-password" style={{ marginTop: 12 }}>
                <Form.Label>Password</Form.Label>
                <Form.Control
                  type="password"
                  autoComplete="off"
                  name="password"
                  value={password}
                  onChange={(event) => setPassword(event.currentTarget.value)}
                />
              </Form.Group>
            </>
          )}
          <Problem words={problem?.words} field={problem?.field} />
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
