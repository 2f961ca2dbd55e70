import type { Metadata } from 'next'
import { madeLine } from '@/core/edit/sequence'
import { withGraver } from '@/reference/graver'
import { crystallisationSolvents } from '@/reference/records'
import { Desk } from '@/ui/desk/Desk'
import { Frame } from '@/ui/frame/Frame'
import { listBottles } from '@/server/bottles'
import { UnreadableDocument } from '@/server/documents'
import { visitor } from '@/server/page'
import { listPreparations, plansLeadingTo } from '@/server/preparationLists'
import { openPreparation, revisionNumber } from '@/server/preparations'
import { subjectOfPreparation } from '@/server/revisions'
import { structuresOf } from '@/server/structures/structures'
import { openedOr, Unreadable } from './unreadable'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ revision?: string }>
}

export const metadata: Metadata = { title: 'Desk' }

export default async function DeskPage({ params, searchParams }: Props) {
  const { id } = await params
  const { revision: wanted } = await searchParams
  const { actor, course, courses, frame: places, may } = await visitor(`/desk/${id}`, 'plan.read', () => subjectOfPreparation(id))
  const opened = await openedOr(() => openPreparation(id, actor, revisionNumber(wanted)))
  const frame = { place: 'desk' as const, who: actor.name, aside: course.title, course: course.id, courses, ...places }
  if (opened instanceof UnreadableDocument)
    return (
      <Frame {...frame}>
        <Unreadable of={opened} preparation={id} mayWrite={may('plan.write')} />
      </Frame>
    )
  const { revision, history, archived } = opened
  const { plan, id: revisionId, number, state, version, savedAt } = revision
  const origin = madeLine(plan)?.madeIn
  const [shelf, others, earlier, drawings] = await Promise.all([
    listBottles(course.id),
    listPreparations(course.id, actor),
    origin === undefined ? [] : plansLeadingTo(course.id, origin, actor, id),
    structuresOf(plan),
  ])
  return (
    <Frame {...frame}>
      <Desk
        key={`${revisionId} ${number}`}
        course={course.id}
        preparation={id}
        opened={{ plan, base: { id: revisionId, number, state, version, savedAt } }}
        history={history}
        archived={archived}
        shelf={shelf}
        otherTitles={others.flatMap((other) => (other.id === id ? [] : [other.title]))}
        earlier={{ origin, plans: earlier }}
        graver={withGraver(plan).graver}
        drawings={drawings}
        lab={course.lab}
        solvents={crystallisationSolvents}
        mayWrite={may('plan.write')}
        older={number !== history[0]!.number}
        zone={course.zone}
      />
    </Frame>
  )
}
