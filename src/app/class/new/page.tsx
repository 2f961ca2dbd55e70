import type { Metadata } from 'next'
import { SessionForm } from '@/ui/class/SessionForm'
import { Frame } from '@/ui/frame/Frame'
import { dayIn } from '@/server/day'
import { visitor } from '@/server/page'
import { sessionChoices } from '@/server/sessions'

export const metadata: Metadata = { title: 'Set a lab session' }

export default async function NewSession({ searchParams }: { searchParams: Promise<{ revision?: string }> }) {
  const { revision } = await searchParams
  const { actor, course, courses } = await visitor('/class/new', 'session.write')
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses}>
      <main className="page-only">
        <h1>Set a lab session</h1>
        <SessionForm
          choices={await sessionChoices(course.id)}
          revision={revision}
          day={dayIn(course.zone, new Date())}
          zone={course.zone}
        />
      </main>
    </Frame>
  )
}
