import { thisMoment } from '@/server/clock'
import type { Metadata } from 'next'
import { scalePlan } from '@/core/edit/scalePlan'
import { withPrinted } from '@/core/operations/printedPlan'
import { figuresInWords } from '@/core/operations/wordFigures'
import { reactionTable } from '@/core/reaction/reactionTable'
import { cautionsOf } from '@/core/safety/cautionsOf'
import { withGraver } from '@/reference/graver'
import { firstAidFor } from '@/reference/firstAid'
import { measuresFor } from '@/server/measures'
import { benchHere } from '@/server/actor'
import { UnreadableDocument } from '@/server/documents'
import { preparedFor } from '@/server/prepared'
import { viewRun } from '@/server/runs'
import { SafetyParts } from '@/ui/desk/SafetyParts'
import { Bench } from '@/ui/bench/Bench'
import { Prepared } from '@/ui/bench/Prepared'
import { CodeForm } from '@/ui/bench/CodeForm'
import { LateEntries } from '@/ui/bench/LateEntries'
import { Entry } from '@/ui/frame/Entry'

export const metadata: Metadata = { title: 'Bench' }

export default async function BenchPage() {
  const bench = await benchHere()
  if (bench && bench.state !== 'late') {
    const view = await viewRun(bench.run).catch(unreadable)
    if (view instanceof UnreadableDocument)
      return (
        <Opening title="This bench cannot be opened">The plan of this session cannot be read. Tell the person in charge.</Opening>
      )
    const { run, bench: number, members, scale, entries, zone, lab, readCode } = view
    const { plan: frozen, graver } = withGraver(view.plan)
    // Worked out here, so that a tablet need not load what works them out before its first step stands.
    const scaled = scalePlan(frozen, scale)
    const table = reactionTable(scaled)
    const plan = withPrinted(frozen, scaled, table, lab)
    const figures = figuresInWords(scaled, table, lab)
    const cautions = Object.fromEntries(scaled.steps.map((step) => [step.id, cautionsOf(scaled, table, step)]))
    const measures = measuresFor(plan)
    const safety = <SafetyParts plan={scaled} measures={measures} graver={graver} heading={(words) => <h2>{words}</h2>} />
    const shown = {
      run,
      bench: number,
      members,
      scale,
      plan,
      entries,
      zone,
      lab,
      readCode,
      figures,
      cautions,
      safety,
      aid: firstAidFor(plan),
    }
    const prepared = await preparedFor(run, number, plan, lab)
    return (
      <Prepared value={prepared}>
        <Bench key={run} {...shown} reading={bench.state === 'reading'} now={thisMoment().getTime()} />
      </Prepared>
    )
  }
  return (
    <Opening title={bench ? 'This session is over' : 'Which bench is this?'}>
      {bench ? (
        <>
          The benches of this session are closed. What this tablet had written before is still taken into the book; to read the
          run, type its code for reading.
          <LateEntries run={bench.run} />
        </>
      ) : (
        'The code stands on the bench card and holds while the session is on.'
      )}
    </Opening>
  )
}

function Opening({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Entry title={title} home>
      <div className="quiet">{children}</div>
      <CodeForm />
    </Entry>
  )
}

function unreadable(error: unknown): UnreadableDocument {
  if (error instanceof UnreadableDocument) return error
  throw error
}
