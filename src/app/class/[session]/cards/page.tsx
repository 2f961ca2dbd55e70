import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { Link } from '@/ui/page/Link'
import { scalePlan } from '@/core/edit/scalePlan'
import { chargedLines, dispensed, reactionTable } from '@/core/reaction/reactionTable'
import { lineName } from '@/core/plan/lineName'
import type { Plan } from '@/core/plan/plan'
import { writeFigureText } from '@/core/quantity/write'
import { originFor } from '@/server/origin'
import { orNotFound, visitor } from '@/server/page'
import { subjectOfSession, viewSession } from '@/server/sessions'
import { slowly } from '@/server/slowly'
import { PrintButton } from '@/ui/class/PrintButton'
import { QrCode } from '@/ui/figures/QrCode'
import { Frame } from '@/ui/frame/Frame'
import { clockTime, longDay } from '@/ui/time'

export const metadata: Metadata = { title: 'Bench cards' }

export default async function Cards({ params }: { params: Promise<{ session: string }> }) {
  const { session } = await params
  const { actor, course, courses, frame } = await visitor(`/class/${session}/cards`, 'code.read', () => subjectOfSession(session))
  const { plan, runs, title, section, startsAt, endsAt, room, zone, cancelled } = await orNotFound(() =>
    viewSession(session, true, false),
  )
  const scales = [...new Set(runs.map(({ scale }) => scale))]
  const amounts = new Map(await slowly(scales, (scale) => [scale, amountsOf(plan, scale)] as const))
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
              <Amounts amounts={amounts.get(run.scale)!} scale={run.scale} />
            </li>
          ))}
        </ul>
      </main>
    </Frame>
  )
}

/** What goes in at a scale, with its names. */
function amountsOf(plan: Plan, scale: number) {
  const scaled = scalePlan(plan, scale)
  return chargedLines(reactionTable(scaled)).map((line) => {
    const found = dispensed(line)
    return {
      id: line.line.id,
      name: lineName(scaled, line.line),
      amount: found ? writeFigureText(found.figure, found.dimension) : '–',
    }
  })
}

function Amounts({ amounts, scale }: { amounts: ReturnType<typeof amountsOf>; scale: number }) {
  return (
    <table className="amounts">
      <caption>Our amounts, scale {scale}</caption>
      <tbody>
        {amounts.map(({ id, name, amount }) => (
          <tr key={id}>
            <th scope="row">{name}</th>
            <td className="fig">{amount}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
