import { Link } from '../page/Link'
import type { ReactNode } from 'react'
import { clockTime, longDay } from '../time'

const pages = [
  ['', 'Set out'],
  ['/labels', 'Labels'],
  ['/waste', 'Waste'],
  ['/timetable', 'Timetable'],
  ['/stock', 'Used'],
] as const

interface Props {
  title: string
  here: (typeof pages)[number][0]
  session: {
    id: string
    title: string
    section: string
    startsAt: string
    endsAt: string
    room: string
    zone: string
    cancelled: boolean
  }
  children?: ReactNode
}

/** The head of a page about making one session ready, with the way to the others. */
export function SessionHead({ title, here, session, children }: Props) {
  const { id, zone, startsAt, endsAt } = session
  return (
    <>
      <div className="head">
        <h1>{title}</h1>
        <span className="sub">
          {session.title}, {session.section}, {longDay(startsAt, zone)}, {clockTime(startsAt, zone)}–{clockTime(endsAt, zone)},{' '}
          {session.room}
        </span>
        <div className="actions">{children}</div>
      </div>
      <nav className="stores-pages no-print" aria-label="Making ready">
        {pages.map(([path, name]) => (
          <Link key={path} href={`/stores/${id}${path}`} aria-current={path === here ? 'page' : undefined}>
            {name}
          </Link>
        ))}
        <Link href={`/class/${id}`}>The session</Link>
      </nav>
      {session.cancelled && <p className="problem">This session was cancelled: nothing is set out for it.</p>}
    </>
  )
}
