import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { deedsBefore, deedsOnAPage } from '@/server/deeds'
import { hasMail } from '@/server/mail'
import { collegeOverview } from '@/server/colleges'
import { collegeVisitor } from '@/server/page'
import { College } from '@/ui/course/College'
import { Record } from '@/ui/course/Record'
import { Frame } from '@/ui/frame/Frame'

export const metadata: Metadata = { title: 'College' }

export default async function CollegePage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  const { actor, courses, frame } = await collegeVisitor('/college')
  const { before } = await searchParams
  const from = before && /^[0-9A-Z]{26}$/.test(before) ? before : undefined
  const [overview, deeds] = await Promise.all([collegeOverview(), deedsBefore(from)])
  return (
    <Frame place="college" who={actor.name} course="" courses={courses} {...frame}>
      <main className="page-only course">
        <div className="head">
          <h1>{overview.college?.title ?? 'The college'}</h1>
          <div className="actions">
            <Link className="btn btn-quiet" href="/college/systems">
              Other systems
            </Link>
            <Link className="btn btn-quiet" href="/college/service">
              The service
            </Link>
          </div>
        </div>
        {!from && <College {...overview} me={actor.id} mail={hasMail()} zones={Intl.supportedValuesOf('timeZone')} />}
        <Record
          deeds={deeds}
          zone={overview.college?.zone ?? 'UTC'}
          older={deeds.length === deedsOnAPage}
          later={from !== undefined}
        />
      </main>
    </Frame>
  )
}
