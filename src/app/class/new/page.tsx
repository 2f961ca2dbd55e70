import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { SessionForm } from '@/ui/class/SessionForm'
import { Frame } from '@/ui/frame/Frame'
import { dayIn } from '@/server/day'
import { likeSession } from '@/server/changeable'
import { visitor } from '@/server/page'
import { sessionChoices } from '@/server/sessions'

export const metadata: Metadata = { title: 'Set a lab session' }

export default async function NewSession({ searchParams }: { searchParams: Promise<{ revision?: string; like?: string }> }) {
  const { revision, like } = await searchParams
  const { actor, course, courses, frame } = await visitor('/class/new', 'session.write')
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <h1>Set a lab session</h1>
        <SessionForm
          choices={await sessionChoices(course.id)}
          revision={revision}
          day={dayIn(course.zone, thisMoment())}
          room={course.lab.rooms[0]?.name ?? ''}
          zone={course.zone}
          like={like ? await likeSession(like, course.id) : undefined}
        />
      </main>
    </Frame>
  )
}
