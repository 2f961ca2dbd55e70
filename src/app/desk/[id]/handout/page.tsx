import type { Metadata } from 'next'
import { withGraver } from '@/reference/graver'
import { measuresFor } from '@/server/measures'
import { orNotFound, visitor } from '@/server/page'
import { openPreparation, revisionNumber } from '@/server/preparations'
import { subjectOfPreparation } from '@/server/revisions'
import { Frame } from '@/ui/frame/Frame'
import { Handout } from '@/ui/desk/handout/Handout'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ revision?: string }>
}

export const metadata: Metadata = { title: 'Handout' }

export default async function HandoutPage({ params, searchParams }: Props) {
  const { id } = await params
  const { revision: wanted } = await searchParams
  const { actor, course, courses, frame } = await visitor(`/desk/${id}/handout`, 'plan.read', () => subjectOfPreparation(id))
  const { revision } = await orNotFound(() => openPreparation(id, actor, revisionNumber(wanted)))
  const { plan } = withGraver(revision.plan)
  return (
    <Frame place="desk" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only" id="work">
        <Handout
          plan={plan}
          course={course.title}
          desk={`/desk/${id}?revision=${revision.number}`}
          revision={`${revision.state === 'draft' ? 'draft' : 'revision'} ${revision.number}`}
          measures={measuresFor(plan)}
        />
      </main>
    </Frame>
  )
}
