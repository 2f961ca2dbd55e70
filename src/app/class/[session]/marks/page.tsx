import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { marksOf } from '@/server/marks'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { PrintButton } from '@/ui/class/PrintButton'
import { Frame } from '@/ui/frame/Frame'
import { HandBack } from '@/ui/marks/HandBack'
import { MarkSheet } from '@/ui/marks/MarkSheet'
import { SchemeForm } from '@/ui/marks/SchemeForm'
import { longDay } from '@/ui/time'

export const metadata: Metadata = { title: 'Marks' }

/** What each group handed in is judged here: the record proposes, a person decides. */
export default async function MarksPage({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame, may } = await visitor(`/class/${session}/marks`, 'run.sign', () =>
    subjectOfSession(session),
  )
  const view = await orNotFound(() => viewSession(session, false))
  const { scheme, marked } = await marksOf(view)
  const waiting = marked.filter(({ mark, handedBackAt }) => mark && !handedBackAt).length
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class marks">
        <div className="head">
          <h1>
            {view.title}, {view.section}
          </h1>
          <span className="sub">marks of {longDay(view.startsAt, view.zone)}</span>
          <div className="actions">
            <Link className="btn btn-quiet" href={`/class/${session}/results`}>
              Results
            </Link>
            <a className="btn btn-quiet" href={`/api/sessions/${session}/marks.csv`} download>
              CSV
            </a>
            <PrintButton />
            {may('session.write') && <HandBack session={session} waiting={waiting} />}
          </div>
        </div>
        <p className="quiet no-print">
          In pencil stands what the record proposes, with what it rests on. A person decides; a group reads what was handed back
          with its code for reading.
        </p>
        {may('session.write') && <SchemeForm key={JSON.stringify(scheme)} session={session} scheme={scheme} />}
        {marked.map(({ run, bench, members, proposals, mark, decidedBy, handedBackAt }) => (
          <MarkSheet
            key={`${run} ${JSON.stringify(mark)}`}
            sheet={{ run, bench, members, proposals, mark, decidedBy, handedBackAt }}
            scheme={scheme}
            mayDecide
            record={`/class/${session}/${run}`}
          />
        ))}
      </main>
    </Frame>
  )
}
