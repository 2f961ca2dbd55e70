import type { Metadata } from 'next'
import { headers } from 'next/headers'
import Link from 'next/link'
import { scalePlan } from '@/core/edit/scalePlan'
import { chargedLines, dispensed, reactionTable } from '@/core/reaction/reactionTable'
import { lineName } from '@/core/plan/lineName'
import { writeFigureText } from '@/core/quantity/write'
import { originFor } from '@/server/origin'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { PrintButton } from '@/ui/class/PrintButton'
import { QrCode } from '@/ui/figures/QrCode'
import { Frame } from '@/ui/frame/Frame'
import { clockTime, longDay } from '@/ui/time'

export const metadata: Metadata = { title: 'Bench cards' }

export default async function Cards({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame } = await visitor(`/class/${session}/cards`, 'code.read', () => subjectOfSession(session))
  const { plan, runs, title, section, startsAt, endsAt, room, zone, cancelled } = await orNotFound(() =>
    viewSession(session, true),
  )
  const origin = originFor(await headers())
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <div className="head no-print">
          <h1>
            Bench cards of {title}, {section}
          </h1>
          <div className="actions">
            <Link className="btn btn-quiet" href={`/class/${session}`}>
              Back to the session
            </Link>
            <PrintButton />
          </div>
        </div>
        {cancelled && <p className="problem">This session was cancelled: its codes open nothing.</p>}
        <ul className="card-sheets">
          {runs.map((run) => (
            <li key={run.id} className="card-sheet" aria-label={`Card of bench ${run.bench}`}>
              <div>
                <h2>Bench {run.bench}</h2>
                <p className="members">{run.members}</p>
                <p>
                  <b>{title}</b>
                  <br />
                  {longDay(startsAt, zone)}, {clockTime(startsAt, zone)}–{clockTime(endsAt, zone)}, {room}
                </p>
                {run.code && <p className="code fig">{run.code}</p>}
                {run.readCode && (
                  <p className="quiet">
                    to read afterwards <span className="fig">{run.readCode}</span>
                  </p>
                )}
              </div>
              {run.code && <QrCode text={`${origin}/bench/open#${run.code}`} label={`Opens bench ${run.bench}`} />}
              <Amounts plan={plan} scale={run.scale} />
            </li>
          ))}
        </ul>
      </main>
    </Frame>
  )
}

function Amounts({ plan, scale }: { plan: Parameters<typeof scalePlan>[0]; scale: number }) {
  const scaled = scalePlan(plan, scale)
  return (
    <table className="amounts">
      <caption>Our amounts, scale {scale}</caption>
      <tbody>
        {chargedLines(reactionTable(scaled)).map((line) => {
          const found = dispensed(line)
          return (
            <tr key={line.line.id}>
              <th scope="row">{lineName(scaled, line.line)}</th>
              <td className="fig">{found ? writeFigureText(found.figure, found.dimension) : '–'}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
