import type { Metadata } from 'next'
import Link from 'next/link'
import { Frame } from '@/ui/frame/Frame'
import { Shelf } from '@/ui/reference/Shelf'
import { listBottles } from '@/server/bottles'
import { pageNeeds, visitor } from '@/server/page'
import { listPreparations } from '@/server/preparations'

export const metadata: Metadata = { title: 'Bottles on the shelf' }

export default async function ShelfPage() {
  const { actor, course, may } = await visitor('/reference/shelf')
  await pageNeeds(actor, 'plan.read', { course: course.id })
  const preparations = (await listPreparations(course.id)).filter(({ archived, published }) => !archived && published)
  return (
    <Frame place="reference" who={actor.name} aside={course.title}>
      <main className="page-only">
        <div className="head">
          <h1>Bottles on the shelf</h1>
          <Link className="sub" href="/reference">
            Substances
          </Link>
          <Link className="sub" href="/reference/laboratory">
            The laboratory
          </Link>
        </div>
        <Shelf
          course={course.id}
          bottles={await listBottles(course.id)}
          plans={preparations.map(({ plan }) => plan)}
          mayWrite={may('shelf.write')}
          zone={course.zone}
        />
      </main>
    </Frame>
  )
}
