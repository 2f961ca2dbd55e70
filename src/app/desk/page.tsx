import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { Frame } from '@/ui/frame/Frame'
import { State } from '@/ui/figures/State'
import { longDay } from '@/ui/time'
import { visitor } from '@/server/page'
import { listPreparations } from '@/server/preparationLists'

export const metadata: Metadata = { title: 'Desk' }

export default async function DeskList() {
  const { actor, course, courses, frame, may } = await visitor('/desk', 'plan.read')
  const all = await listPreparations(course.id, actor)
  const preparations = all.filter(({ archived }) => !archived)
  const away = all.filter(({ archived }) => archived)
  return (
    <Frame place="desk" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only">
        <h1>Desk</h1>
        <div className="head">
          <p className="sub">The preparations of this course.</p>
          {may('plan.write') && (
            <div className="actions">
              <Link className="btn btn-primary" href="/desk/new">
                New preparation
              </Link>
            </div>
          )}
        </div>
        {preparations.length === 0 ? (
          <p>No preparation has been published yet. The course owner writes the first.</p>
        ) : (
          <ul className="sheet-list">
            {preparations.map(({ id, title, aim, draft, published, fault }) => (
              <li key={id}>
                <span>
                  <Link className="title" href={`/desk/${id}`}>
                    {title}
                  </Link>
                  <br />
                  {fault === null ? aim : <State level="danger">This cannot be read: {fault}</State>}
                </span>
                <span className="quiet">
                  {published && `revision ${published.number}, published ${longDay(published.at, course.zone)}`}
                  {draft && `${published ? '; ' : ''}draft ${draft.number} open`}
                </span>
              </li>
            ))}
          </ul>
        )}
        {away.length > 0 && may('plan.write') && (
          <>
            <h2 className="section-title">Put away</h2>
            <ul className="sheet-list">
              {away.map(({ id, title }) => (
                <li key={id}>
                  <Link href={`/desk/${id}`}>{title}</Link>
                </li>
              ))}
            </ul>
          </>
        )}
      </main>
    </Frame>
  )
}
