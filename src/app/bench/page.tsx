import type { Metadata } from 'next'
import Link from 'next/link'
import { Bench } from '@/ui/bench/Bench'
import { CodeForm } from '@/ui/bench/CodeForm'
import { Mark } from '@/ui/frame/Mark'
import { benchHere } from '@/server/actor'
import { viewRun } from '@/server/runs'

export const metadata: Metadata = { title: 'Bench' }

export default async function BenchPage() {
  const bench = await benchHere()
  if (bench) {
    const { run, bench: number, members, scale, plan, entries, zone, lab } = await viewRun(bench.run)
    return <Bench key={run} {...{ run, bench: number, members, scale, plan, entries, zone, lab }} now={new Date().getTime()} />
  }
  return (
    <>
      <header className="bench-top">
        <Link href="/" className="mark" aria-label="Mozle, today">
          <Mark />
          mozle
        </Link>
      </header>
      <main className="entry-form">
        <h1>Which bench is this?</h1>
        <p className="quiet">The code stands on the bench card and holds for today.</p>
        <CodeForm />
      </main>
    </>
  )
}
