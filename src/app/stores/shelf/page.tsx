import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { reactionTable } from '@/core/reaction/reactionTable'
import { groupsServed } from '@/core/stores/bottle'
import { groupsMadeFrom } from '@/core/stores/groupsMadeFrom'
import { againstBottle } from '@/core/stores/stock'
import { StoresHead } from '@/ui/stores/StoresHead'
import { Frame } from '@/ui/frame/Frame'
import { Shelf } from '@/ui/stores/Shelf'
import { stockFor } from '@/reference/solutions'
import { listBottles } from '@/server/bottles'
import { visitor } from '@/server/page'
import { dayIn } from '@/server/settingOut'
import { publishedPlans } from '@/server/preparationLists'

export const metadata: Metadata = { title: 'Bottles on the shelf' }

export default async function ShelfPage() {
  const { actor, course, courses, frame, may } = await visitor('/stores/shelf', 'plan.read')
  const { plans, unreadable } = await publishedPlans(course.id)
  const todayIn = dayIn({ startsAt: thisMoment().toISOString(), zone: course.zone })
  const tables = plans.map((plan) => ({ plan, table: reactionTable(plan) }))
  // Figures only: how many groups a bottle serves is all that this page says of a plan.
  const bottles = (await listBottles(course.id)).map((bottle) => ({
    ...bottle,
    against: againstBottle(bottle, todayIn, false).filter((why) => bottle.left.value > 0 || why !== 'it is empty'),
    serves: tables.flatMap(({ plan, table }) => {
      const groups = groupsServed(bottle, plan, table) ?? groupsMadeFrom(bottle, plan, stockFor)
      return groups === null ? [] : [{ title: plan.title, groups }]
    }),
  }))
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <StoresHead title="Bottles on the shelf" here="/stores/shelf">
          <a className="btn btn-quiet" href={`/api/courses/${course.id}/used.csv`}>
            What this year used, CSV
          </a>
        </StoresHead>
        <Shelf
          course={course.id}
          bottles={bottles}
          unreadable={unreadable}
          mayWrite={may('shelf.write')}
          zone={course.zone}
          today={todayIn}
        />
      </main>
    </Frame>
  )
}
