import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { notFound } from 'next/navigation'
import { withPrinted } from '@/core/operations/printedPlan'
import { figuresInWords } from '@/core/operations/wordFigures'
import { correctable } from '@/core/run/correctable'
import { foldRun } from '@/core/run/foldRun'
import { scalePlan } from '@/core/edit/scalePlan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { PrintButton } from '@/ui/class/PrintButton'
import { Frame } from '@/ui/frame/Frame'
import { PutRight } from '@/ui/results/PutRight'
import { Record } from '@/ui/run/Record'

export const metadata: Metadata = { title: 'Record' }

export default async function RecordPage({ params }: { params: Promise<{ session: string; run: string }> }) {
  const { session, run: id } = await params
  const { actor, course, courses, frame, may } = await visitor(`/class/${session}/${id}`, 'run.read', () =>
    subjectOfSession(session),
  )
  const view = await orNotFound(() => viewSession(session, false))
  const run = view.runs.find((each) => each.id === id)
  if (!run) notFound()
  const { plan: frozen, title, section, room, zone, days, revision } = view
  const scaled = scalePlan(frozen, run.scale)
  const plan = withPrinted(frozen, scaled, reactionTable(scaled), course.lab)
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only record-page">
        <Record
          {...{ plan, title, section, room, zone }}
          back={
            <Link className="btn btn-quiet" href={`/class/${session}`}>
              The board
            </Link>
          }
          revision={revision.number}
          days={days.filter(({ cancelled }) => !cancelled).map(({ startsAt, endsAt }) => ({ startsAt, endsAt }))}
          run={{ bench: run.bench, members: run.members, scale: run.scale, entries: run.entries }}
          figures={figuresInWords(scaled, reactionTable(scaled), course.lab)}
          print={<PrintButton />}
        />
        {may('run.sign') && <PutRight run={id} readings={correctable(foldRun(plan, run.scale, run.entries))} />}
      </main>
    </Frame>
  )
}
