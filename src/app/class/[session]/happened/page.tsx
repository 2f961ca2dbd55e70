import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { Happened } from '@/ui/board/Happened'
import { PrintButton } from '@/ui/class/PrintButton'
import { Frame } from '@/ui/frame/Frame'
import { longDay } from '@/ui/time'

export const metadata: Metadata = { title: 'What happened' }

/** What happened in a session, for whoever has to account for it. */
export default async function HappenedPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame } = await visitor(`/class/${session}/happened`, 'run.read', () =>
    subjectOfSession(session),
  )
  const { plan, title, section, room, startsAt, zone, runs } = await orNotFound(() => viewSession(session, false))
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <div className="head">
          <h1>What happened</h1>
          <span className="sub">
            {title}, {section}, {room}, {longDay(startsAt, zone)}
          </span>
          <div className="actions">
            <Link className="btn btn-quiet" href={`/class/${session}`}>
              The board
            </Link>
            <PrintButton />
          </div>
        </div>
        <Happened
          plan={plan}
          zone={zone}
          runs={runs.map(({ bench, members, scale, entries }) => ({ bench, members, scale, entries }))}
        />
      </main>
    </Frame>
  )
}
