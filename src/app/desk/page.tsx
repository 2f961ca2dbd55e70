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
  const preparations = (await listPreparations(course.id)).filter(({ published }) => may('plan.write') || published)
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
      </main>
    </Frame>
  )
}
