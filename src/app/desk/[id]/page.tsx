import type { Metadata } from 'next'
import { Desk } from '@/ui/desk/Desk'
import { crystallisationSolvents } from '@/reference/records'
import { Frame } from '@/ui/frame/Frame'
import { orNotFound, pageNeeds, visitor } from '@/server/page'
import { listBottles } from '@/server/bottles'
import { listPreparations, openPreparation, subjectOfPreparation } from '@/server/preparations'
import { structuresOf } from '@/server/structures'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ revision?: string }>
}

export const metadata: Metadata = { title: 'Desk' }

export default async function DeskPage({ params, searchParams }: Props) {
  const { id } = await params
  const { revision: wanted } = await searchParams
  const { actor, course, may } = await visitor(`/desk/${id}`)
  await pageNeeds(actor, 'plan.read', () => subjectOfPreparation(id))
  const { revision, history, archived } = await orNotFound(() =>
    openPreparation(id, { draftsToo: may('plan.write'), ...(wanted && /^\d+$/.test(wanted) ? { number: Number(wanted) } : {}) }),
  )
  const others = (await listPreparations(course.id))
    .filter(({ id: other, published }) => other !== id && (may('plan.write') || published))
    .map(({ plan: other }) => other)
  const { plan, id: revisionId, number, state, version, savedAt } = revision
  return (
    <Frame place="desk" who={actor.name} aside={course.title}>
      <Desk
        key={`${revisionId} ${number}`}
        course={course.id}
        preparation={id}
        opened={{ plan, base: { id: revisionId, number, state, version, savedAt } }}
        history={history}
        archived={archived}
        shelf={await listBottles(course.id)}
        others={others}
        drawings={structuresOf(plan)}
        lab={course.lab}
        solvents={crystallisationSolvents}
        mayWrite={may('plan.write')}
        older={number !== history[0]!.number}
        zone={course.zone}
      />
    </Frame>
  )
}
