import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { redirect } from 'next/navigation'
import { scalePlan } from '@/core/edit/scalePlan'
import { withPrinted } from '@/core/operations/printedPlan'
import { figuresInWords } from '@/core/operations/wordFigures'
import { reactionTable } from '@/core/reaction/reactionTable'
import { filesOfRun } from '@/server/files'
import { handedBackTo } from '@/server/marks'
import { benchHere } from '@/server/actor'
import { may } from '@/server/rights'
import { viewRun } from '@/server/runs'
import { PrintButton } from '@/ui/class/PrintButton'
import { HandedBack } from '@/ui/marks/HandedBack'
import { Record } from '@/ui/run/Record'
import { aroundOf } from '@/ui/traces/aroundOf'
import { OurFiles } from '@/ui/traces/OurFiles'

export const metadata: Metadata = { title: 'Our record' }

/** The record of a bench's own run, for the group: with its code on the day, later with its code for reading. */
export default async function OwnRecordPage() {
  const bench = await benchHere()
  if (!bench || !may(bench, 'run.read', { course: bench.course, run: bench.run })) redirect('/bench')
  const { plan: frozen, section, zone, days, bench: number, members, scale, entries, lab } = await viewRun(bench.run)
  const scaled = scalePlan(frozen, scale)
  const plan = withPrinted(frozen, scaled, reactionTable(scaled), lab)
  const [handed, files] = await Promise.all([handedBackTo(bench.run), filesOfRun(bench.run)])
  const around = {
    ...aroundOf(plan),
    runs: [{ id: bench.run, bench: number, members }],
    may: false,
    says: handed || !may(bench, 'file.describe', { course: bench.course, run: bench.run }) ? null : 'the group',
  }
  return (
    <main className="page-only record-page">
      {handed && <HandedBack {...handed} />}
      <Record
        {...{ plan, section, zone, days }}
        title={plan.title}
        run={{ bench: number, members, scale, entries }}
        figures={figuresInWords(scaled, reactionTable(scaled), lab)}
        back={
          <Link className="btn btn-quiet" href="/bench">
            Our bench
          </Link>
        }
        print={<PrintButton />}
      />
      <OurFiles run={bench.run} files={files.map(({ addedBy: _by, addedAt: _at, ...file }) => file)} around={around} />
    </main>
  )
}
