import type { Metadata } from 'next'
import { withGraver } from '@/reference/graver'
import { measuresFor } from '@/server/measures'
import { UnreadableDocument } from '@/server/documents'
import { visitor } from '@/server/page'
import { openPreparation, revisionNumber } from '@/server/preparations'
import { subjectOfPreparation } from '@/server/revisions'
import { openedOr, Unreadable } from '../unreadable'
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
  const { actor, course, courses, frame, may } = await visitor(`/desk/${id}/handout`, 'plan.read', () => subjectOfPreparation(id))
  const opened = await openedOr(() => openPreparation(id, actor, revisionNumber(wanted)))
  const around = { place: 'desk' as const, who: actor.name, aside: course.title, course: course.id, courses, ...frame }
  if (opened instanceof UnreadableDocument)
    return (
      <Frame {...around}>
        <Unreadable of={opened} preparation={id} mayWrite={may('plan.write')} />
      </Frame>
    )
  const { revision } = opened
  const { plan } = withGraver(revision.plan)
  return (
    <Frame {...around}>
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
