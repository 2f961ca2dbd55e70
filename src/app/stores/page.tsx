import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { Frame } from '@/ui/frame/Frame'
import { amountText } from '@/ui/stores/amount'
import { Recipe } from '@/ui/stores/Recipe'
import { StoresHead } from '@/ui/stores/StoresHead'
import { WantedBy } from '@/ui/stores/WantedBy'
import { PrintButton } from '@/ui/class/PrintButton'
import { clockTime, longDay } from '@/ui/time'
import { dayIn } from '@/server/day'
import { visitor } from '@/server/page'
import { storesAhead } from '@/server/settingOut'

export const metadata: Metadata = { title: 'Stores' }

const spans = [
  [1, 'a day'],
  [7, 'a week'],
  [14, 'two weeks'],
  [28, 'four weeks'],
] as const

export default async function StoresPage({ searchParams }: { searchParams: Promise<{ days?: string }> }) {
  const { actor, course, courses, frame } = await visitor('/stores', 'session.read')
  const { days: asked } = await searchParams
  const days = spans.find(([span]) => String(span) === asked)?.[0] ?? 14
  const now = thisMoment()
  const today = dayIn(course.zone, now)
  const { sessions, order, together, totals } = await storesAhead(course.id, now, new Date(now.getTime() + days * 86_400_000))
  return (
    <Frame place="stores" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <StoresHead title="Stores" here="/stores">
          <PrintButton />
        </StoresHead>
        <nav className="stores-pages no-print" aria-label="How far ahead">
          {spans.map(([span, name]) => (
            <Link key={span} href={`/stores?days=${span}`} aria-current={span === days ? 'page' : undefined}>
              {name} ahead
            </Link>
          ))}
        </nav>
        <section aria-label="Sessions">
          <h2 className="section-title">Sessions to make ready</h2>
          {sessions.length === 0 && <p>No session is set for the time ahead.</p>}
          <ul className="sheet-list">
            {sessions.map(({ head, ticked, all, fault }) => (
              <li key={head.id}>
                <span>
                  <Link className="title" href={`/stores/${head.id}`}>
                    {head.title}, {head.section}
                  </Link>
                  <br />
                  <span className="quiet">
                    {longDay(head.startsAt, head.zone)}, {clockTime(head.startsAt, head.zone)}–{clockTime(head.endsAt, head.zone)}
                    , {head.room}, {head.benches} benches{head.goesOnFrom !== null && ', work goes on'}
                  </span>
                  {fault && <span className="problem">{fault}</span>}
                </span>
                <span className="links">
                  {all > 0 && (
                    <span>
                      <b className="fig">{ticked}</b> of <span className="fig">{all}</span> set out
                    </span>
                  )}
                  <Link href={`/stores/${head.id}/labels`}>Labels</Link>
                  <Link href={`/stores/${head.id}/waste`}>Waste</Link>
                  <Link href={`/stores/${head.id}/timetable`}>Timetable</Link>
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="To order">
          <h2 className="section-title">To order</h2>
          {order.length === 0 ? (
            <p>The shelf has enough of everything for the sessions above.</p>
          ) : (
            <div className="picture-scroll" tabIndex={0} role="region" aria-label="What must be ordered">
              <table className="ruled stores-table">
                <thead>
                  <tr>
                    <th scope="col">what</th>
                    <th scope="col" className="n">
                      missing
                    </th>
                    <th scope="col" className="n">
                      needed in all
                    </th>
                    <th scope="col">there by</th>
                    <th scope="col">first for</th>
                  </tr>
                </thead>
                <tbody>
                  {order.map(({ name, strength, unit, missing, needed, by, for: first, unknown }) => (
                    <tr key={`${name} ${strength} ${unit}`}>
                      <th scope="row">
                        {name} <small className="quiet">{!name.startsWith(strength) && strength}</small>
                      </th>
                      <td className="n fig">
                        {amountText(missing, unit)}
                        {unknown && <small className="doubt"> less what stands in another unit</small>}
                      </td>
                      <td className="n fig">{amountText(needed, unit)}</td>
                      <td>
                        <WantedBy day={by} today={today} />
                      </td>
                      <td>{first}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
        </section>
        {together.length > 0 && (
          <section aria-label="Made once for several sessions">
            <h2 className="section-title">Made once for several sessions</h2>
            <ul className="set-list">
              {together.map(({ name, strength, mL, keeps, sessions: of, recipe }) => (
                <li key={`${name} ${strength}`}>
                  <span className="what">
                    {name} <small className="quiet">{!name.startsWith(strength) && strength}</small>
                  </span>
                  <span className="fig">
                    <b>{amountText(mL, 'mL')}</b>
                  </span>
                  <span className="quiet">
                    {of.join('; ')}
                    {keeps && `; keeps ${keeps}`}
                  </span>
                  <Recipe solution={recipe} unit="mL" />
                </li>
              ))}
            </ul>
          </section>
        )}
        {totals.length > 0 && (
          <section aria-label="All together">
            <h2 className="section-title">All sessions together</h2>
            <div className="picture-scroll" tabIndex={0} role="region" aria-label="All sessions together, in figures">
              <table className="ruled stores-table">
                <thead>
                  <tr>
                    <th scope="col">what</th>
                    <th scope="col" className="n">
                      the benches need
                    </th>
                    <th scope="col" className="n">
                      with spare
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {totals.map(({ name, strength, unit, sum, issue }) => (
                    <tr key={`${name} ${strength} ${unit}`}>
                      <th scope="row">
                        {name} <small className="quiet">{!name.startsWith(strength) && strength}</small>
                      </th>
                      <td className="n fig">{amountText(sum, unit)}</td>
                      <td className="n fig">{amountText(issue, unit)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </section>
        )}
      </main>
    </Frame>
  )
}
