import type { Metadata } from 'next'
import { withGraver } from '@/reference/graver'
import { measuresFor } from '@/server/measures'
import { SafetySheetView } from '@/ui/desk/SafetySheetView'
import { Frame } from '@/ui/frame/Frame'
import { orNotFound, visitor } from '@/server/page'
import { openPreparation, revisionNumber, subjectOfPreparation } from '@/server/preparations'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ revision?: string }>
}

export const metadata: Metadata = { title: 'Safety sheet' }

export default async function SafetyPage({ params, searchParams }: Props) {
  const { id } = await params
  const { revision: wanted } = await searchParams
  const { actor, course, courses } = await visitor(`/desk/${id}/safety`, 'plan.read', () => subjectOfPreparation(id))
  const { revision } = await orNotFound(() => openPreparation(id, actor, revisionNumber(wanted)))
  const { plan, graver } = withGraver(revision.plan)
  return (
    <Frame place="desk" who={actor.name} aside={course.title} course={course.id} courses={courses}>
      <main className="page-only">
        <SafetySheetView
          plan={plan}
          graver={graver}
          desk={`/desk/${id}?revision=${revision.number}`}
          revision={`${revision.state === 'draft' ? 'draft' : 'revision'} ${revision.number}`}
          measures={measuresFor(plan)}
        />
      </main>
    </Frame>
  )
}
