import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { Frame } from '@/ui/frame/Frame'
import { PrintButton } from '@/ui/class/PrintButton'
import { SessionHead } from '@/ui/stores/SessionHead'
import { Waste } from '@/ui/stores/Waste'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession } from '@/server/sessions'
import { wasteView } from '@/server/wasteView'

export const metadata: Metadata = { title: 'Waste' }

export default async function WastePage({ params }: { params: Promise<{ session: string }> }) {
  const { session: id } = await params
  const { actor, course, courses, frame, may } = await visitor(`/stores/${id}/waste`, 'session.read', () => subjectOfSession(id))
  const { session, rows, unplaced, none } = await orNotFound(() => wasteView(id, course.lab))
  const now = thisMoment().toISOString()
  const isOn = session.startsAt <= now && now <= session.endsAt
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <SessionHead title="Waste" here="/waste" session={session}>
          <a className="btn btn-quiet" href={`/api/courses/${course.id}/waste.csv`}>
            What this year came to, CSV
          </a>
          <PrintButton />
        </SessionHead>
        {none && (
          <p className="problem">
            The plan says of no step what goes into which container. Say it at the Desk, in the step that puts it away.
          </p>
        )}
        {unplaced.length > 0 && !none && (
          <p className="quiet">
            The plan puts into no container: {unplaced.join(', ')}. What reacts or boils off needs none; the rest does.
          </p>
        )}
        <Waste session={id} zone={session.zone} rows={rows} mayWrite={may('shelf.write')} on={isOn} />
        <p className="quiet">
          Local rules and the qualified person in charge decide what goes where. Amounts are what is expected in the vessels when
          a step puts them away: what has reacted, evaporated or is kept is not among them.
        </p>
      </main>
    </Frame>
  )
}
