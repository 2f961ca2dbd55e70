import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { Frame } from '@/ui/frame/Frame'
import { SessionHead } from '@/ui/stores/SessionHead'
import { Timetable } from '@/ui/stores/Timetable'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession } from '@/server/sessions'
import { timetableView } from '@/server/timetableView'

export const metadata: Metadata = { title: 'Timetable' }

export default async function TimetablePage({ params }: { params: Promise<{ session: string }> }) {
  const { session: id } = await params
  const { actor, course, courses, frame, may } = await visitor(`/stores/${id}/timetable`, 'session.read', () =>
    subjectOfSession(id),
  )
  const view = await orNotFound(() => timetableView(id, course.lab, may('run.read')))
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="wide-page">
        <div className="page-head">
          <SessionHead title="Will it fit?" here="/timetable" session={view.session} />
        </div>
        <Timetable view={view} mayWrite={may('timetable.write') && !view.session.cancelled} now={thisMoment().getTime()} />
      </main>
    </Frame>
  )
}
