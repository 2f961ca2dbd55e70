import type { Metadata } from 'next'
import { Reading } from '@/ui/desk/reading/Reading'
import { Frame } from '@/ui/frame/Frame'
import { ownSubstancesOf } from '@/server/ownSubstances'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'Reading a procedure' }

export default async function ReadingPage() {
  const { actor, course, courses, frame } = await visitor('/desk/new/reading', 'plan.write')
  return (
    <Frame place="desk" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <Reading course={course.id} own={await ownSubstancesOf(course.id)} />
    </Frame>
  )
}
