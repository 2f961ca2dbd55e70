import type { Metadata } from 'next'
import Link from 'next/link'
import { CodeForm } from '@/ui/bench/CodeForm'
import { Mark } from '@/ui/frame/Mark'

export const metadata: Metadata = { title: 'Open a bench' }

/** Where the square on a bench card leads: the code stands behind the address and is not sent before the page has it. */
export default function OpenBench() {
  return (
    <>
      <header className="bench-top">
        <Link href="/" className="mark" aria-label="Mozle, today">
          <Mark />
          mozle
        </Link>
      </header>
      <main className="entry-form">
        <h1>Opening our bench</h1>
        <CodeForm fromAddress />
      </main>
    </>
  )
}
