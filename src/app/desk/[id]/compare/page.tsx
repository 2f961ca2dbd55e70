import type { Metadata } from 'next'
import { CompareView } from '@/ui/desk/CompareView'
import { Frame } from '@/ui/frame/Frame'
import { orNotFound, visitor } from '@/server/page'
import { openPreparation, revisionNumber } from '@/server/preparations'
import { subjectOfPreparation } from '@/server/revisions'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ from?: string; to?: string }>
}

export const metadata: Metadata = { title: 'Two revisions compared' }

export default async function ComparePage({ params, searchParams }: Props) {
  const { id } = await params
  const { from, to } = await searchParams
  const { actor, course, courses, frame } = await visitor(`/desk/${id}`, 'plan.read', () => subjectOfPreparation(id))
  const [before, after] = await Promise.all(
    [from, to].map((number) => orNotFound(() => openPreparation(id, actor, revisionNumber(number) ?? 0))),
  )
  return (
    <Frame place="desk" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <CompareView preparation={id} before={before!.revision} after={after!.revision} zone={course.zone} />
      </main>
    </Frame>
  )
}
