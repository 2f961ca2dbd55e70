import type { Metadata } from 'next'
import Link from 'next/link'
import { Frame } from '@/ui/frame/Frame'
import { Laboratory } from '@/ui/reference/Laboratory'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'The laboratory' }

export default async function LaboratoryPage() {
  const { actor, course, courses, may } = await visitor('/reference/laboratory', 'plan.read')
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses}>
      <main className="page-only">
        <div className="head">
          <h1>The laboratory</h1>
          <Link className="sub" href="/reference/solutions">
            Stock solutions
          </Link>
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
