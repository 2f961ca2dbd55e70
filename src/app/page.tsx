import { thisMoment } from '@/server/clock'
import { Link } from '@/ui/page/Link'
import { Frame } from '@/ui/frame/Frame'
import { State } from '@/ui/figures/State'
import { clockTime, longDay } from '@/ui/time'
import { visitor } from '@/server/page'
import { today } from '@/server/today'
import type { SessionHead } from '@/server/sessions'

export default async function Today() {
  const { actor, course, courses, frame, may } = await visitor('/', 'plan.read')
  const at = thisMoment()
  const { now, next, last, waiting } = await today(course.id, actor, at)
  const opens = may('run.read')
  return (
    <Frame place="today" who={actor.name} aside={course.college} course={course.id} courses={courses} {...frame}>
      <main className="page-only today">
        <div className="head">
          <h1>Today</h1>
          <span className="sub">
            {longDay(at.toISOString(), course.zone)}, {course.title}
          </span>
        </div>
        <h2 className="section-title">On now</h2>
        {now.length === 0 && <p className="quiet">No lab session is on at this moment.</p>}
        {now.map((session) => (
          <div className="session-line on" key={session.id}>
            <Head session={session} />
            {opens && (
              <Link className="btn btn-primary" href={`/class/${session.id}`}>
                Open the board
              </Link>
            )}
          </div>
        ))}
        <h2 className="section-title">Next</h2>
        {next ? (
          <div className="session-line">
            <Head session={next} />
            {may('session.read') && <Link href={`/class/${next.id}`}>Benches and codes</Link>}
          </div>
        ) : (
          <p className="quiet">
            No session is set after this. {may('session.write') && <Link href="/class/new">Set a lab session</Link>}
          </p>
        )}
        {(opens || may('plan.write')) && (
          <>
            <h2 className="section-title">What waits</h2>
            {waiting.length === 0 && <p className="quiet">Nothing waits for you.</p>}
            <ul className="sheet-list">
              {waiting.map(({ words, why, href, level }) => (
                <li key={`${words} ${why}`}>
                  <span>
                    <State level={level}>
                      <Link href={href}>{words}</Link>
                    </State>
                  </span>
                  <span className="quiet">{why}</span>
                </li>
              ))}
            </ul>
          </>
        )}
        {last && may('results.read') && (
          <p style={{ marginTop: 22 }}>
            Last session:{' '}
            <Link href={`/class/${last.id}/results`}>
              results of {last.title}, {last.section}
            </Link>
          </p>
        )}
      </main>
    </Frame>
  )
}

function Head({ session }: { session: SessionHead }) {
  const { title, section, startsAt, endsAt, room, benches, zone } = session
  return (
    <div>
      <b>
        {title}, {section}
      </b>
      <div className="quiet fig" style={{ whiteSpace: 'normal' }}>
        {longDay(startsAt, zone)}, {clockTime(startsAt, zone)}–{clockTime(endsAt, zone)}, {room}, {benches} benches, plan revision{' '}
        {session.revision.number}
      </div>
      {session.otherDayCancelled && (
        <State level="doubt">The day of this work on {longDay(session.otherDayCancelled, zone)} is cancelled.</State>
      )}
    </div>
  )
}
