import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { comparePlans } from '@/core/edit/comparePlans'
import { otherClasses } from '@/server/otherClasses'
import { orNotFound, visitor } from '@/server/page'
import { sessionOfResults } from '@/server/releases'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { Frame } from '@/ui/frame/Frame'
import { ClassesPanel } from '@/ui/results/ClassesPanel'

export const metadata: Metadata = { title: 'Sections and years' }

/** The same preparation in other sections and years: medians, spreads, the trend, and what changed in the plan between them. */
export default async function OthersPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame } = await visitor(`/class/${session}/others`, 'results.read', () =>
    subjectOfSession(session),
  )
  const view = await orNotFound(() => viewSession(session, false))
  const { classes, plans, unreadable } = await otherClasses(view)
  const numbers = Object.keys(plans)
    .map(Number)
    .sort((a, b) => a - b)
  const changes = Object.fromEntries(
    numbers.slice(1).map((number, index) => [
      number,
      comparePlans(plans[numbers[index]!]!, plans[number]!)
        .slice(0, 12)
        .map(({ what, before, after }) => `${what}: ${before ?? 'nothing'} → ${after ?? 'nothing'}`),
    ]),
  )
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class">
        <div className="head">
          <h1>{view.title}: sections and years</h1>
          <span className="sub">
            {classes.length === 1 ? 'one class has a result' : `${classes.length} classes have results`}
          </span>
          <div className="actions">
            <Link className="btn btn-quiet" href={`/class/${session}/results`}>
              Results of {view.section}
            </Link>
          </div>
        </div>
        {unreadable > 0 && <p className="problem">{unreadable} of its classes ran a revision that cannot be read.</p>}
        {classes.length === 0 ? (
          <p>No class of this preparation has a result yet.</p>
        ) : (
          <ClassesPanel classes={classes} here={sessionOfResults(view)} zone={view.zone} changes={changes} />
        )}
      </main>
    </Frame>
  )
}
