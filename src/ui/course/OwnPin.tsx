'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { Problem } from './Problem'
import { Typed } from './Typed'
import { useDone } from './useDone'

/** A person's own PIN, with which readings are signed on a bench's tablet. */
export function OwnPin({ has }: { has: boolean }) {
  const { problem, field, busy, run } = useDone()
  const [pin, setPin] = useState('')
  const [password, setPassword] = useState('')
  const [done, setDone] = useState<string>()
  const set = async (to: string) => {
    setDone(undefined)
    if (!(await run(() => call('/api/pin', 'PUT', { pin: to, password })))) return
    setDone(to === '' ? 'Your PIN is taken away.' : 'Your PIN is set.')
    setPin('')
    setPassword('')
  }
  return (
    <section aria-labelledby="own-pin">
      <h2 className="section-title" id="own-pin">
        My PIN at the bench
      </h2>
      <p className="quiet">
        With it you sign readings on a bench’s tablet without typing your password there. Three tries are free, then one waits.{' '}
        {has ? 'You have one.' : 'You have none yet.'}
      </p>
      {done && <p role="status">{done}</p>}
      <form
        className="in-a-row no-print"
        noValidate
        aria-label="My PIN"
        onSubmit={(event) => {
          event.preventDefault()
          void set(pin)
        }}
      >
        <Typed
          label="New PIN, four to eight digits"
          name="pin"
          value={pin}
          onValue={setPin}
          type="password"
          inputMode="numeric"
          autoComplete="off"
          maxLength={8}
        />
        <Typed
          label="Your password"
          name="password"
          value={password}
          onValue={setPassword}
          type="password"
          autoComplete="current-password"
        />
        <Button type="submit" size="sm" disabled={busy || pin === ''}>
          Set my PIN
        </Button>
        {has && (
          <Button size="sm" variant="quiet" disabled={busy} onClick={() => void set('')}>
            Take it away
          </Button>
        )}
        <Problem words={problem} field={field} />
      </form>
    </section>
  )
}
