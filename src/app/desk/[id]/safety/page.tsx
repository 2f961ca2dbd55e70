import type { Metadata } from 'next'
import { safetySheet } from '@/core/plan/safetySheet'
import { precautionsFor, statementText } from '@/reference/hazardStatements'
import { SafetySheetView } from '@/ui/desk/SafetySheetView'
import { Frame } from '@/ui/frame/Frame'
import { orNotFound, pageNeeds, visitor } from '@/server/page'
import { openPreparation, subjectOfPreparation } from '@/server/preparations'

interface Props {
  params: Promise<{ id: string }>
  searchParams: Promise<{ revision?: string }>
}

export const metadata: Metadata = { title: 'Safety sheet' }

export default async function SafetyPage({ params, searchParams }: Props) {
  const { id } = await params
  const { revision: wanted } = await searchParams
  const { actor, course, may } = await visitor(`/desk/${id}/safety`)
  await pageNeeds(actor, 'plan.read', () => subjectOfPreparation(id))
  const number = wanted && /^\d+$/.test(wanted) ? { number: Number(wanted) } : {}
  const { revision } = await orNotFound(() => openPreparation(id, { draftsToo: may('plan.write'), ...number }))
  const measures = precautionsFor(safetySheet(revision.plan).codes)
    .filter((code) => code.startsWith('P3'))
    .map(statementText)
  return (
    <Frame place="desk" who={actor.name} aside={course.title}>
      <main className="page-only">
        <SafetySheetView
          plan={revision.plan}
          desk={`/desk/${id}?revision=${revision.number}`}
          revision={`${revision.state === 'draft' ? 'draft' : 'revision'} ${revision.number}`}
          measures={measures}
        />
      </main>
    </Frame>
  )
}
