import type { Metadata } from 'next'
import { Frame } from '@/ui/frame/Frame'
import { SessionHead } from '@/ui/stores/SessionHead'
import { Used } from '@/ui/stores/Used'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession } from '@/server/sessions'
import { usedView } from '@/server/usedView'

export const metadata: Metadata = { title: 'Used' }

export default async function UsedPage({ params }: { params: Promise<{ session: string }> }) {
  const { session: id } = await params
  const { actor, course, courses, frame, may } = await visitor(`/stores/${id}/stock`, 'session.read', () => subjectOfSession(id))
  const { session, rows, over } = await orNotFound(() => usedView(id, course.lab))
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <SessionHead title="Used" here="/stock" session={session} />
        <p className="quiet">
          What the benches wrote down when they charged it, all of them together. What nobody measured is not in it.
        </p>
        <Used session={id} zone={session.zone} rows={rows} mayWrite={may('shelf.write') && over} />
      </main>
    </Frame>
  )
}
