import type { Metadata } from 'next'
import Link from 'next/link'
import { BenchCards } from '@/ui/class/BenchCards'
import { Board } from '@/ui/class/Board'
import { withGraver } from '@/reference/graver'
import { GraverSince } from '@/ui/desk/GraverSince'
import { Frame } from '@/ui/frame/Frame'
import { clockTime, longDay } from '@/ui/time'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'

export const metadata: Metadata = { title: 'Class' }

export default async function SessionPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, may } = await visitor(`/class/${session}`, 'session.read', () => subjectOfSession(session))
  const view = await orNotFound(() => viewSession(session, may('code.read')))
  const { graver } = withGraver(view.plan)
  const { plan, title, section, startsAt, endsAt, room, zone } = view
  // Cards need no readings.
  const cards = view.runs.map(({ id, bench, members, scale, code, readCode }) => ({ id, bench, members, scale, code, readCode }))
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses}>
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
              <Link className="btn btn-quiet" href={`/class/${session}/results`}>
                Results
              </Link>
            </div>
          )}
        </div>
        <GraverSince notes={graver} />
        {may('run.read') && (
          <Board {...{ session, plan, runs: view.runs, zone, startsAt }} maySign={may('run.sign')} now={new Date().getTime()} />
        )}
        {may('code.read') ? (
          <BenchCards runs={cards} planTitle={title} mayChange={may('code.write')} />
        ) : (
          !may('run.read') && <Groups runs={view.runs} />
        )}
      </main>
    </Frame>
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
