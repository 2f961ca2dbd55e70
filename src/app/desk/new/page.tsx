import type { Metadata } from 'next'
import { NewPreparation } from '@/ui/desk/NewPreparation'
import { Frame } from '@/ui/frame/Frame'
import { pageNeeds, visitor } from '@/server/page'

export const metadata: Metadata = { title: 'A new preparation' }

export default async function NewPreparationPage() {
  const { actor, course } = await visitor('/desk/new')
  await pageNeeds(actor, 'plan.write', { course: course.id })
  return (
    <Frame place="desk" who={actor.name} aside={course.title}>
      <main className="page-only">
        <h1>A new preparation</h1>
        <NewPreparation course={course.id} />
      </main>
    </Frame>
  )
}
