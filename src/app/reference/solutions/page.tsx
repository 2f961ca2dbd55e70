import type { Metadata } from 'next'
import Link from 'next/link'
import { Frame } from '@/ui/frame/Frame'
import { Solutions } from '@/ui/reference/Solutions'
import { statementText } from '@/reference/hazardStatements'
import { stockCard, stockSolutions } from '@/reference/solutions'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'Stock solutions' }

const [usual, most] = [500, 20_000]

export default async function SolutionsPage({ searchParams }: { searchParams: Promise<{ mL?: string }> }) {
  const { mL } = await searchParams
  const { actor, course, courses } = await visitor('/reference/solutions', 'plan.read')
  const wanted = Number((mL ?? '').replace(',', '.'))
  const toML = wanted > 0 && wanted <= most ? wanted : usual
  const cards = stockSolutions.map((stock) => {
    const card = stockCard(stock, toML)
    return { ...card, statements: card.hazards.codes.map(statementText) }
  })
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses}>
      <main className="page-only">
        <div className="head">
          <h1>Stock solutions</h1>
          <Link className="sub" href="/reference/scratch">
            Scratch
          </Link>
          <Link className="sub" href="/reference">
            Substances
          </Link>
          <Link className="sub" href="/reference/shelf">
            Bottles on the shelf
          </Link>
          <Link className="sub" href="/reference/laboratory">
            The laboratory
          </Link>
        </div>
        <Solutions
          cards={cards}
          toML={toML}
          problem={mL !== undefined && wanted !== toML ? `Write a volume up to ${most} mL, such as 250.` : undefined}
          typed={mL ?? String(usual)}
        />
      </main>
    </Frame>
  )
}
