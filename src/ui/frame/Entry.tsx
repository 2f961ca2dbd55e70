import { Link } from '../page/Link'
import type { ReactNode } from 'react'
import { Mark } from './Mark'

/** A page before anybody is known: the mark, and one thing to do. */
export function Entry({ title, children, home = false }: { title: string; children: ReactNode; home?: boolean }) {
  const mark = (
    <>
      <Mark />
      mozle
    </>
  )
  return (
    <>
      <header className="bench-top">
        {home ? (
          <Link href="/" className="mark" aria-label="Mozle, today">
            {mark}
          </Link>
        ) : (
          <span className="mark">{mark}</span>
        )}
      </header>
      <main className="entry-form">
        <h1>{title}</h1>
        {children}
      </main>
    </>
  )
}
