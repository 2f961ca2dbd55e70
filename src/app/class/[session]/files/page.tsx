import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { filesOf } from '@/server/files'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { Frame } from '@/ui/frame/Frame'
import { longDay } from '@/ui/time'
import { aroundOf } from '@/ui/traces/aroundOf'
import { Files } from '@/ui/traces/Files'

export const metadata: Metadata = { title: 'Instrument files' }

/** Spectra and chromatograms of a session, which come days later and find their bench by its slot. */
export default async function FilesPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame, may } = await visitor(`/class/${session}/files`, 'results.read', () =>
    subjectOfSession(session),
  )
  const view = await orNotFound(() => viewSession(session, false))
  const benchOf = (run: string | null) => view.runs.find(({ id }) => id === run)?.bench ?? 0
  const files = (await filesOf(view))
    .map(({ addedBy: _by, addedAt: _at, ...file }) => file)
    .sort((a, b) => benchOf(a.run) - benchOf(b.run) || a.kind.localeCompare(b.kind))
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class">
        <div className="head">
          <h1>
            {view.title}, {view.section}
          </h1>
          <span className="sub">instrument files of {longDay(view.startsAt, view.zone)}</span>
          <div className="actions">
            <Link className="btn btn-quiet" href={`/class/${session}/results`}>
              Results
            </Link>
          </div>
        </div>
        <Files
          session={session}
          files={files}
          around={{
            runs: view.runs.map(({ id, bench, members }) => ({ id, bench, members })),
            ...aroundOf(view.plan),
            may: may('run.sign'),
            says: may('file.describe') ? actor.name : null,
          }}
        />
      </main>
    </Frame>
  )
}
