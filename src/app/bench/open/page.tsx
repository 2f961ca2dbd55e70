import type { Metadata } from 'next'
import { CodeForm } from '@/ui/bench/CodeForm'
import { Entry } from '@/ui/frame/Entry'

export const metadata: Metadata = { title: 'Open a bench' }

/** Where the square on a bench card leads: the code stands behind the address and is not sent before the page has it. */
export default function OpenBench() {
  return (
    <Entry title="Opening our bench" home>
      <CodeForm fromAddress />
    </Entry>
  )
}
