import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { CalendarLinks } from '@/ui/class/CalendarLinks'
import { Frame } from '@/ui/frame/Frame'
import { clockTime, longDay } from '@/ui/time'
import { visitor } from '@/server/page'
import { listSessions } from '@/server/sessions'

export const metadata: Metadata = { title: 'Class' }

export default async function ClassList({ searchParams }: { searchParams: Promise<{ page?: string }> }) {
  const { actor, course, courses, frame, may } = await visitor('/class', ['session.read', 'results.read'])
  const { page: wanted } = await searchParams
  const page = wanted && /^\d{1,4}$/.test(wanted) ? Math.max(1, Number(wanted)) : 1
  const now = thisMoment().toISOString()
  const { sessions, more } = await listSessions(course.id, page)
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <div className="head">
          <h1>Class</h1>
          <div className="actions">
            {may('run.read') && (
              <Link className="btn btn-quiet" href="/class/find">
                Find a run
              </Link>
            )}
            {may('session.write') && (
              <Link className="btn btn-primary" href="/class/new">
                Set a lab session
              </Link>
            )}
          </div>
        </div>
        {may('session.read') && <CalendarLinks course={course.id} />}
        {sessions.length === 0 && <p>No lab session is set yet. Publish a preparation, then set a session with it.</p>}
        <ul className="sheet-list" style={{ marginTop: 14 }}>
          {sessions.map(({ id, title, section, startsAt, endsAt, room, benches, zone, cancelled, goesOnFrom }) => {
            const when = cancelled ? 'not held' : startsAt > now ? 'to come' : endsAt < now ? 'over' : 'on now'
            return (
              <li key={id}>
                <span>
                  {may('session.read') ? (
                    <Link className="title" href={`/class/${id}`}>
                      {title}, {section}
                    </Link>
                  ) : (
                    <b>
                      {title}, {section}
                    </b>
                  )}
                  <br />
                  <span className="quiet">
                    {longDay(startsAt, zone)}, {clockTime(startsAt, zone)}–{clockTime(endsAt, zone)}, {room}, {benches} benches,{' '}
                    {goesOnFrom !== null && 'work goes on, '}
                    {when}
                  </span>
                </span>
                {may('results.read') && startsAt <= now && <Link href={`/class/${id}/results`}>Results</Link>}
              </li>
            )
          })}
        </ul>
        {(page > 1 || more) && (
          <nav className="pages" aria-label="Pages of sessions">
            {page > 1 && <Link href={`/class?page=${page - 1}`}>Later sessions</Link>}
            {more && <Link href={`/class?page=${page + 1}`}>Earlier sessions</Link>}
          </nav>
        )}
      </main>
    </Frame>
  )
}
