import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { collegeOverview } from '@/server/colleges'
import { collegeVisitor } from '@/server/page'
import { tokenRights } from '@/server/rights'
import { tokensOfCollege } from '@/server/tokens'
import { Tokens } from '@/ui/course/Tokens'
import { Frame } from '@/ui/frame/Frame'

export const metadata: Metadata = { title: 'Other systems' }

export default async function SystemsPage() {
  const { actor, courses, frame } = await collegeVisitor('/college/systems')
  const [overview, tokens] = await Promise.all([collegeOverview(), tokensOfCollege()])
  return (
    <Frame place="college" who={actor.name} course="" courses={courses} {...frame}>
      <main className="page-only course">
        <div className="head">
          <h1>Other systems</h1>
          <div className="actions">
            <Link className="btn btn-quiet" href="/college">
              The college
            </Link>
          </div>
        </div>
        <Tokens
          tokens={tokens}
          rights={tokenRights}
          courses={overview.courses}
          zone={overview.college?.zone ?? 'UTC'}
          now={thisMoment().toISOString()}
        />
      </main>
    </Frame>
  )
}
