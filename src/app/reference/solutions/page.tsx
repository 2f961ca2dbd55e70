import type { Metadata } from 'next'
import { ReferenceHead } from '@/ui/reference/ReferenceHead'
import { Frame } from '@/ui/frame/Frame'
import { Solutions } from '@/ui/reference/Solutions'
import { statementText } from '@/reference/hazardStatements'
import { stockCard, stockSolutions, wordsOfSolution } from '@/reference/solutions'
import { visitor } from '@/server/page'

export const metadata: Metadata = { title: 'Stock solutions' }

const [usual, most] = [500, 20_000]

export default async function SolutionsPage({ searchParams }: { searchParams: Promise<{ mL?: string }> }) {
  const { mL } = await searchParams
  const { actor, course, courses, frame } = await visitor('/reference/solutions', 'plan.read')
  const wanted = Number((mL ?? '').replace(',', '.'))
  const toML = wanted > 0 && wanted <= most ? wanted : usual
  const cards = stockSolutions.map((stock) => {
    const card = stockCard(stock, toML)
    return { ...card, words: wordsOfSolution(stock), statements: card.hazards.codes.map(statementText) }
  })
  return (
    <Frame place="reference" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <ReferenceHead title="Stock solutions" here="/reference/solutions" />
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
