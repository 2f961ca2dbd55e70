import type { Metadata } from 'next'
import { ReferenceHead } from '@/ui/reference/ReferenceHead'
import { Frame } from '@/ui/frame/Frame'
import { Reference } from '@/ui/reference/Reference'
import { comparisonsIn } from '@/server/compared'
import { visitor } from '@/server/page'
import { substanceCard, substanceList } from '@/server/substances'

export const metadata: Metadata = { title: 'Reference' }

export default async function ReferencePage({ searchParams }: { searchParams: Promise<{ substance?: string }> }) {
  const { substance } = await searchParams
  const { actor, course, courses, frame, may } = await visitor('/reference', 'plan.read')
  const card = substance === undefined ? null : await substanceCard(substance, await comparisonsIn(course.id, substance))
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <ReferenceHead title="Reference" here="/reference" />
        <Reference list={substanceList} card={card} asked={substance} course={course.id} mayCompare={may('lab.write')} />
      </main>
    </Frame>
  )
}
