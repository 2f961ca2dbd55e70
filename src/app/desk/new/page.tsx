import type { Metadata } from 'next'
import { NewPreparation } from '@/ui/desk/NewPreparation'
import { Frame } from '@/ui/frame/Frame'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'A new preparation' }

export default async function NewPreparationPage() {
  const { actor, course, courses, frame } = await visitor('/desk/new', 'plan.write')
  return (
    <Frame place="desk" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <h1>A new preparation</h1>
        <NewPreparation course={course.id} />
      </main>
    </Frame>
  )
}
