import type { Metadata } from 'next'
import { CompareView } from '@/ui/desk/CompareView'
import { Frame } from '@/ui/frame/Frame'
import { UnreadableDocument } from '@/server/documents'
import { visitor } from '@/server/page'
import { openPreparation, revisionNumber } from '@/server/preparations'
import { subjectOfPreparation } from '@/server/revisions'
import { openedOr, Unreadable } from '../unreadable'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ from?: string; to?: string }>
}

export const metadata: Metadata = { title: 'Two revisions compared' }

export default async function ComparePage({ params, searchParams }: Props) {
  const { id } = await params
  const { from, to } = await searchParams
  const { actor, course, courses, frame, may } = await visitor(`/desk/${id}`, 'plan.read', () => subjectOfPreparation(id))
  const [before, after] = await Promise.all(
    [from, to].map((number) => openedOr(() => openPreparation(id, actor, revisionNumber(number) ?? 0))),
  )
  const around = { place: 'desk' as const, who: actor.name, aside: course.title, course: course.id, courses, ...frame }
  if (before instanceof UnreadableDocument || after instanceof UnreadableDocument)
    return (
      <Frame {...around}>
        <Unreadable
          of={before instanceof UnreadableDocument ? before : (after as UnreadableDocument)}
          preparation={id}
          mayWrite={may('plan.write')}
        />
      </Frame>
    )
  return (
    <Frame {...around}>
      <main className="page-only">
        <CompareView preparation={id} before={before!.revision} after={after!.revision} zone={course.zone} />
      </main>
    </Frame>
  )
}
