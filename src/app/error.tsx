'use client'

import { Button } from 'react-bootstrap'

export default function PageError({ reset }: { reset: () => void }) {
  return (
    <main className="page-only">
      <h1>This page could not be shown</h1>
      <p>Nothing that was written down is lost. The server may be starting, or out of reach for a moment.</p>
      <Button onClick={reset}>Try again</Button>
    </main>
  )
}
