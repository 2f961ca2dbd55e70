import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { findable } from '@/core/classroom/findable'
import { resultsOf } from '@/core/classroom/classResults'
import { classPanels, lossPanel } from '@/core/classroom/panels/panels'
import { plannedCurves } from '@/core/classroom/panels/plannedCurve'
import { computation, releasedOf } from '@/core/classroom/released'
import { LateFindings } from '@/ui/class/LateFindings'
import { Results } from '@/ui/class/Results'
import { Counts } from '@/ui/results/Counts'
import { Panels } from '@/ui/results/Panels'
import { Release } from '@/ui/results/Release'
import { Frame } from '@/ui/frame/Frame'
import { longDay } from '@/ui/time'
import { orNotFound, visitor } from '@/server/page'
import { releasesOf, sessionOfResults } from '@/server/releases'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { foldedClass } from '@/server/foldedClass'
import { slowly } from '@/server/slowly'

export const metadata: Metadata = { title: 'Results' }

export default async function ResultsPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame, may } = await visitor(`/class/${session}/results`, 'results.read', () =>
    subjectOfSession(session),
  )
  const view = await orNotFound(() => viewSession(session, false))
  const { plan, runs, title, section, startsAt, room, zone } = view
  const folded = await foldedClass(plan, runs)
  const results = resultsOf(plan, folded)
  // A class of sixty holds nobody up.
  const losses = await slowly(folded, lossPanel)
  const releases = (await releasesOf(sessionOfResults(view), releasedOf(results))).map(
    ({ released: _released, ...release }) => release,
  )
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class">
        <div className="head">
          <h1>
            {title}, {section}
          </h1>
          <span className="sub">
            results of {longDay(startsAt, zone)}, {room}, {runs.length} benches
          </span>
          <div className="actions">
            <Link className="btn btn-quiet" href={`/class/${session}/files`}>
              Instrument files
            </Link>
            <Link className="btn btn-quiet" href={`/class/${session}/others`}>
              Sections and years
            </Link>
            {may('run.sign') && (
              <Link className="btn btn-quiet" href={`/class/${session}/marks`}>
                Marks
              </Link>
            )}
            {may('session.read') && <Link href={`/class/${session}`}>The board</Link>}
          </div>
        </div>
        <Release
          session={session}
          releases={releases}
          version={computation}
          zone={zone}
          may={may('session.write')}
          any={results.rows.some(({ outcomes }) => outcomes.length > 0)}
        />
        <Results session={session} results={results} mayRead={may('run.read')} />
        <Counts rows={results.rows} may={may('run.sign')} />
        <Panels
          panels={classPanels(plan, folded, results, losses)}
          results={results}
          title={title}
          planned={plannedCurves(plan)}
        />
        {may('run.sign') && (
          <LateFindings asked={findable(plan)} runs={runs.map(({ id, bench, members }) => ({ id, bench, members }))} />
        )}
      </main>
    </Frame>
  )
}
