'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from './Problem'
import { useDone } from './useDone'

/** Ten signs at least, twice the same. */
export function ChoosePassword({ token, signIn }: { token: string; signIn: string }) {
  const router = useRouter()
  const { problem, field, busy, run } = useDone()
  const [password, setPassword] = useState('')
  const [again, setAgain] = useState('')
  const [differ, setDiffer] = useState(false)
  return (
    <form
      noValidate
      method="post"
      onSubmit={(event) => {
        event.preventDefault()
        setDiffer(password !== again)
        if (password !== again) return
        void run(async () => {
          await call(`/api/invitations/${token}`, 'POST', { password })
          router.push('/')
        })
      }}
    >
      <input hidden readOnly autoComplete="username" value={signIn} />
      <Form.Group controlId="password">
        <Form.Label>Password</Form.Label>
        <Form.Control
          type="password"
          name="password"
          autoComplete="new-password"
          autoFocus
          value={password}
          onChange={(event) => setPassword(event.currentTarget.value)}
        />
        <small className="quiet">Ten signs at least; a few words in a row are easy to keep in mind.</small>
      </Form.Group>
      <Form.Group controlId="again">
        <Form.Label>Once more</Form.Label>
        <Form.Control
          type="password"
          autoComplete="new-password"
          value={again}
          onChange={(event) => setAgain(event.currentTarget.value)}
        />
        {differ && <div className="problem">The two are not the same. Type them again.</div>}
      </Form.Group>
      <Problem words={problem} field={field} />
      <Button type="submit" disabled={busy}>
        Take this password
      </Button>
    </form>
  )
}
