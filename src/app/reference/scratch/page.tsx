import type { Metadata } from 'next'
import { ReferenceHead } from '@/ui/reference/ReferenceHead'
import { Frame } from '@/ui/frame/Frame'
import { Scratch } from '@/ui/reference/Scratch'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'Scratch' }

export default async function ScratchPage() {
  const { actor, course, courses, frame, may } = await visitor('/reference/scratch', 'plan.read')
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <ReferenceHead title="Scratch" here="/reference/scratch" />
        <p className="quiet">Arithmetic without a plan. What stands here stays on this device; nobody else sees it.</p>
        <Scratch key={course.id} course={course.id} mayWrite={may('plan.write')} />
      </main>
    </Frame>
  )
}
