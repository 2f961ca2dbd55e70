import type { Metadata } from 'next'
import { ReferenceHead } from '@/ui/reference/ReferenceHead'
import { Frame } from '@/ui/frame/Frame'
import { Laboratory } from '@/ui/reference/Laboratory'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'The laboratory' }

export default async function LaboratoryPage() {
  const { actor, course, courses, frame, may } = await visitor('/reference/laboratory', 'plan.read')
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <ReferenceHead title="The laboratory" here="/reference/laboratory" />
        <Laboratory course={course.id} lab={course.lab} mayWrite={may('lab.write')} />
      </main>
    </Frame>
  )
}
