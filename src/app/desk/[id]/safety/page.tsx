import type { Metadata } from 'next'
import { withGraver } from '@/reference/graver'
import { approvalOf } from '@/server/approvals'
import { measuresFor } from '@/server/measures'
import { ApprovalLine } from '@/ui/desk/ApprovalLine'
import { SafetySheetView } from '@/ui/desk/SafetySheetView'
import { Frame } from '@/ui/frame/Frame'
import { UnreadableDocument } from '@/server/documents'
import { visitor } from '@/server/page'
import { openPreparation, revisionNumber } from '@/server/preparations'
import { subjectOfPreparation } from '@/server/revisions'
import { openedOr, Unreadable } from '../unreadable'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ revision?: string }>
}

export const metadata: Metadata = { title: 'Safety sheet' }

export default async function SafetyPage({ params, searchParams }: Props) {
  const { id } = await params
  const { revision: wanted } = await searchParams
  const { actor, course, courses, frame, may } = await visitor(`/desk/${id}/safety`, 'plan.read', () => subjectOfPreparation(id))
  const opened = await openedOr(() => openPreparation(id, actor, revisionNumber(wanted)))
  const around = { place: 'desk' as const, who: actor.name, aside: course.title, course: course.id, courses, ...frame }
  if (opened instanceof UnreadableDocument)
    return (
      <Frame {...around}>
        <Unreadable of={opened} preparation={id} mayWrite={may('plan.write')} />
      </Frame>
    )
  const { revision } = opened
  const { plan, graver } = withGraver(revision.plan)
  const approval = await approvalOf(revision.id, actor.id)
  return (
    <Frame {...around}>
      <main className="page-only">
        <ApprovalLine revision={revision.id} approval={approval} zone={course.zone} mayApprove={may('approve')} />
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
