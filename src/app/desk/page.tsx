import type { Metadata } from 'next'
import Link from 'next/link'
import { Frame } from '@/ui/frame/Frame'
import { longDay } from '@/ui/time'
import { pageNeeds, visitor } from '@/server/page'
import { listPreparations } from '@/server/preparations'

export const metadata: Metadata = { title: 'Desk' }

export default async function DeskList() {
  const { actor, course, may } = await visitor('/desk')
  await pageNeeds(actor, 'plan.read', { course: course.id })
  const all = (await listPreparations(course.id)).filter(({ published }) => may('plan.write') || published)
  const preparations = all.filter(({ archived }) => !archived)
  const away = all.filter(({ archived }) => archived)
  return (
    <Frame place="desk" who={actor.name} aside={course.title}>
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
            {preparations.map(({ id, title, aim, draft, published }) => (
              <li key={id}>
                <span>
                  <Link className="title" href={`/desk/${id}`}>
                    {title}
                  </Link>
                  <br />
                  {aim}
                </span>
                <span className="quiet">
                  {published && `revision ${published.number}, published ${longDay(published.at, course.zone)}`}
                  {draft && may('plan.write') && `${published ? '; ' : ''}draft ${draft.number} open`}
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
