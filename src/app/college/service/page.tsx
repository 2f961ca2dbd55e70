import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { collegeOverview } from '@/server/colleges'
import { collegeVisitor } from '@/server/page'
import { serviceView } from '@/server/service'
import { Service } from '@/ui/course/Service'
import { Frame } from '@/ui/frame/Frame'

export const metadata: Metadata = { title: 'The service' }

/** How the service stands: versions, disk, backups, what is open and how much is written. */
export default async function ServicePage() {
  const { actor, courses, frame } = await collegeVisitor('/college/service')
  const [view, { college }] = await Promise.all([serviceView(), collegeOverview()])
  return (
    <Frame place="college" who={actor.name} course="" courses={courses} {...frame}>
      <main className="page-only course">
        <div className="head">
          <h1>The service</h1>
          <span className="sub">as it stands now</span>
          <div className="actions">
            <Link className="btn btn-quiet" href="/college">
              The college
            </Link>
          </div>
        </div>
        <Service view={view} zone={college?.zone ?? 'UTC'} />
      </main>
    </Frame>
  )
}
