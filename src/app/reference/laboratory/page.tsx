import type { Metadata } from 'next'
import Link from 'next/link'
import { Frame } from '@/ui/frame/Frame'
import { Laboratory } from '@/ui/reference/Laboratory'
import { pageNeeds, visitor } from '@/server/page'

export const metadata: Metadata = { title: 'The laboratory' }

export default async function LaboratoryPage() {
  const { actor, course, may } = await visitor('/reference/laboratory')
  await pageNeeds(actor, 'plan.read', { course: course.id })
  return (
    <Frame place="reference" who={actor.name} aside={course.title}>
      <main className="page-only">
        <div className="head">
          <h1>The laboratory</h1>
          <Link className="sub" href="/reference">
            Substances
          </Link>
          <Link className="sub" href="/reference/shelf">
            Bottles on the shelf
          </Link>
        </div>
        <Laboratory course={course.id} lab={course.lab} mayWrite={may('lab.write')} />
      </main>
    </Frame>
  )
}
