import type { Metadata } from 'next'
import Link from 'next/link'
import { findable } from '@/core/classroom/findable'
import { classResults } from '@/core/classroom/classResults'
import { LateFindings } from '@/ui/class/LateFindings'
import { Results } from '@/ui/class/Results'
import { Frame } from '@/ui/frame/Frame'
import { longDay } from '@/ui/time'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'

export const metadata: Metadata = { title: 'Results' }

export default async function ResultsPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame, may } = await visitor(`/class/${session}/results`, 'results.read', () =>
    subjectOfSession(session),
  )
  const { plan, runs, title, section, startsAt, room, zone } = await orNotFound(() => viewSession(session, false))
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class">
        <div className="head">
          <h1>
            {title}, {section}
          </h1>
          <span className="sub">
            results of {longDay(startsAt, zone)}, {room}, {runs.length} benches
          </span>
          {may('session.read') && (
            <div className="actions">
              <Link href={`/class/${session}`}>The board</Link>
            </div>
          )}
        </div>
        <Results session={session} results={classResults(plan, runs)} />
        {may('run.sign') && (
          <LateFindings asked={findable(plan)} runs={runs.map(({ id, bench, members }) => ({ id, bench, members }))} />
        )}
      </main>
    </Frame>
  )
}
