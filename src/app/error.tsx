'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { unsaved } from '@/ui/typed/UnsavedGuard'
import { writeBack, type Held } from '@/ui/typed/unsaved'

/** How long a page that is built anew is given until its fields are there, ms. */
const patienceMs = 5000
const everyMs = 100

/** What stands where a page has failed. What was typed on it is shown, and written back into its fields when it is tried again. */
export default function PageError({ reset }: { reset: () => void }) {
  const [typed] = useState(() => unsaved.hold())
  const again = () => {
    reset()
    let rest: readonly Held[] = typed
    const until = performance.now() + patienceMs
    const timer = setInterval(() => {
      rest = writeBack(rest)
      unsaved.released(rest)
      if (rest.length === 0 || performance.now() > until) clearInterval(timer)
    }, everyMs)
  }
  return (
    <main className="page-only">
      <h1>This page could not be shown</h1>
      <p>Nothing that was saved is lost. The server may be starting, or out of reach for a moment.</p>
      <Button onClick={again}>Try again</Button>
      {typed.length > 0 && (
        <section aria-labelledby="typed-before">
          <h2 className="section-title" id="typed-before">
            Typed and not saved yet
          </h2>
          <p className="quiet">“Try again” writes it back into its fields.</p>
          <dl>
            {typed.map(({ name, value }) => (
              <div key={name}>
                <dt>{name.split(' | ').at(-1)}</dt>
                <dd>{value}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
    </main>
  )
}
