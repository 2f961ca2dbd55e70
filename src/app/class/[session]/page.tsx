import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { BenchCards } from '@/ui/class/BenchCards'
import { ChangeSession } from '@/ui/class/ChangeSession'
import { RestoreSession } from '@/ui/class/RestoreSession'
import { Board } from '@/ui/board/Board'
import { LaterBoard } from '@/ui/board/LaterBoard'
import { withGraver } from '@/reference/graver'
import { GraverSince } from '@/ui/desk/GraverSince'
import { Frame } from '@/ui/frame/Frame'
import { clockTime, longDay } from '@/ui/time'
import { changeable } from '@/server/changeable'
import { orNotFound, visitor } from '@/server/page'
import { minutesFor } from '@/server/timetableView'
import { subjectOfSession, viewSession, type SessionView } from '@/server/sessions'

export const metadata: Metadata = { title: 'Class' }

/** The board of more groups than this is drawn by the browser alone. */
const mostDrawnHere = 24

export default async function SessionPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame, may } = await visitor(`/class/${session}`, 'session.read', () =>
    subjectOfSession(session),
  )
  const view = await orNotFound(() => viewSession(session, may('code.read')))
  const { graver } = withGraver(view.plan)
  const { plan, title, section, startsAt, endsAt, room, zone } = view
  // Cards need no readings.
  const cards = view.runs.map(({ id, bench, members, scale, code, readCode, people }) => ({
    ...{ id, bench, members, scale, code, readCode, people },
  }))
  const Shown = view.runs.length > mostDrawnHere ? LaterBoard : Board
  const changes = may('session.write') && !view.cancelled ? await changeable(view) : null
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class">
        <div className="head">
          <h1>
            {title}, {section}
          </h1>
          <span className="sub">
            {longDay(startsAt, zone)}, {clockTime(startsAt, zone)}–{clockTime(endsAt, zone)}, {room}, plan revision{' '}
            {view.revision.number}
          </span>
          {may('results.read') && (
            <div className="actions">
              {may('session.write') && (
                <Link className="btn btn-quiet" href={`/class/new?like=${session}`}>
                  Set it again
                </Link>
              )}
              <Link className="btn btn-quiet" href={`/class/${session}/results`}>
                Results
              </Link>
            </div>
          )}
        </div>
        {view.cancelled && (
          <p className="problem" role="status">
            This session is cancelled: {view.reason}. Its bench codes open nothing.{' '}
            {may('session.write') && new Date(startsAt) > thisMoment() && <RestoreSession session={session} />}
          </p>
        )}
        {view.days
          .filter(({ cancelled, id }) => cancelled && id !== session)
          .map(({ id, startsAt: at, reason }) => (
            <p key={id} className="problem" role="status">
              Another day of this work, <Link href={`/class/${id}`}>{longDay(at, zone)}</Link>, is cancelled
              {reason ? `: ${reason}` : ''}.
            </p>
          ))}
        <SessionDaysLine view={view} />
        {changes && <ChangeSession session={changes} />}
        <GraverSince notes={graver} />
        {may('run.read') && (
          <Shown
            {...{ session, plan, runs: view.runs, zone, startsAt, endsAt }}
            {...await minutesFor(session, course.lab)}
            maySign={may('run.sign')}
            now={thisMoment().getTime()}
          />
        )}
        {may('code.read') ? (
          <BenchCards session={session} runs={cards} planTitle={title} mayChange={may('code.write')} />
        ) : (
          !may('run.read') && <Groups runs={view.runs} />
        )}
      </main>
    </Frame>
  )
}

/** The days of these runs, where there are several. */
function SessionDaysLine({ view: { id, days, zone } }: { view: SessionView }) {
  const held = days.filter(({ cancelled, id: each }) => !cancelled || each === id)
  if (held.length < 2) return null
  return (
    <nav className="session-days" aria-label="Days of this session">
      {held.map((day, index) => (
        <Link key={day.id} href={`/class/${day.id}`} aria-current={day.id === id ? 'page' : undefined}>
          Day {index + 1}, {longDay(day.startsAt, zone)}
        </Link>
      ))}
    </nav>
  )
}

function Groups({ runs }: { runs: { id: string; bench: number; members: string; scale: number }[] }) {
  return (
    <table className="ruled">
      <thead>
        <tr>
          <th scope="col">bench</th>
          <th scope="col">group</th>
          <th scope="col">scale</th>
        </tr>
      </thead>
      <tbody>
        {runs.map(({ id, bench, members, scale }) => (
          <tr key={id}>
            <td>{bench}</td>
            <td>{members}</td>
            <td>{scale}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
