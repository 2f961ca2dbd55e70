'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { plainWords } from '@/core/words/say'
import { call } from '../call'
import { WordsFields } from '../words/WordsFields'
import { Problem } from './Problem'
import { useDone } from './useDone'

/** The first page of a college: its name and clock, and its first person. */
export function Beginning({ token, zones }: { token: string; zones: string[] }) {
  const router = useRouter()
  const { problem, field: refusedField, busy, run } = useDone()
  const [wanted, setWanted] = useState({ college: '', zone: 'UTC', words: plainWords, name: '', signIn: '', password: '' })
  // The clock of whoever sits here is most likely the laboratory's; only the browser knows it.
  useEffect(() => {
    const here = Intl.DateTimeFormat().resolvedOptions().timeZone
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setWanted((before) => ({ ...before, zone: here }))
  }, [])
  const field = (key: 'college' | 'name' | 'signIn' | 'password', label: string, more: object = {}) => (
    <Form.Group controlId={key}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        {...more}
        name={key}
        value={wanted[key]}
        onChange={(event) => setWanted({ ...wanted, [key]: event.currentTarget.value })}
      />
    </Form.Group>
  )
  return (
    <form
      noValidate
      method="post"
      onSubmit={(event) => {
        event.preventDefault()
        void run(async () => {
          await call('/api/first', 'POST', { ...wanted, token })
          router.push('/college')
        })
      }}
    >
      {field('college', 'College', { autoFocus: true })}
      <Form.Group controlId="zone">
        <Form.Label>Clock of its laboratory</Form.Label>
        <Form.Select value={wanted.zone} onChange={(event) => setWanted({ ...wanted, zone: event.currentTarget.value })}>
          {[...new Set([wanted.zone, ...zones])].map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </Form.Select>
      </Form.Group>
      <div className="in-a-row">
        <WordsFields value={wanted.words} onChange={(words) => setWanted({ ...wanted, words })} />
      </div>
      {field('name', 'Your name', { autoComplete: 'name' })}
      {field('signIn', 'You sign in as', { autoComplete: 'username', autoCapitalize: 'none' })}
      {field('password', 'Password', { type: 'password', autoComplete: 'new-password' })}
      <Problem words={problem} field={refusedField} />
      <Button type="submit" disabled={busy}>
        Begin
      </Button>
    </form>
  )
}
