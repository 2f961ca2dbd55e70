import type { Metadata } from 'next'
import Link from 'next/link'
import { Frame } from '@/ui/frame/Frame'
import { Scratch } from '@/ui/reference/Scratch'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'Scratch' }

export default async function ScratchPage() {
  const { actor, course, courses, may } = await visitor('/reference/scratch', 'plan.read')
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses}>
      <main className="page-only">
        <div className="head">
          <h1>Scratch</h1>
          <Link className="sub" href="/reference">
            Substances
          </Link>
          <Link className="sub" href="/reference/solutions">
            Stock solutions
          </Link>
        </div>
        <p className="quiet">Arithmetic without a plan. What stands here stays on this device; nobody else sees it.</p>
        <Scratch key={course.id} course={course.id} mayWrite={may('plan.write')} />
      </main>
    </Frame>
  )
}
