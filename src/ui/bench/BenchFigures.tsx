import dynamic from 'next/dynamic'
import { useMemo } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Band } from '../operation/BandPicture'
import type { DistilBlanks } from '@/core/operations/distil/blanks'
import { contextOf, filledFor, reportFor } from '@/core/operations/planners'
import type { Step } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import type { RunState } from '@/core/run/foldRun'
import { measuredOf } from '@/core/run/measured'
import { State } from '../figures/State'
import { withTheRest } from './later'
import { orSaid } from '../operation/orSaid'

// A chart is fetched with the first reading and drawn from the second: the first load of the bench stays light.
const BandPicture = dynamic(
  withTheRest(() => orSaid(import('../operation/BandPicture').then((module) => module.BandPicture))),
  { ssr: false },
)
const HeadPicture = dynamic(
  withTheRest(() => orSaid(import('../operation/HeadPicture').then((module) => module.HeadPicture))),
  { ssr: false },
)

/** More than this is not read in gloves. */
const most = 3

/** What the operation of a step works out from what this bench has charged and measured: its figures for the bench, and what it doubts. */
export function BenchFigures({ run, step, lab }: { run: RunState; step: Step; lab: Lab }) {
  const { context, filled, report } = useMemo(() => {
    const { plan } = run
    const context = contextOf(plan, reactionTable(plan, run.charged), step, lab, measuredOf(run))
    const filled = filledFor(context)
    return { context, filled, report: reportFor(context, filled) }
  }, [run, step, lab])
  const facts = report?.facts.filter(({ atBench }) => atBench) ?? []
  const weight = { danger: 0, doubt: 1, good: 2, open: 3 } as const
  const advice = [...(report?.advice ?? [])]
    .filter(({ level }) => level !== 'open')
    .sort((a, b) => weight[a.level] - weight[b.level])
  if (facts.length === 0 && advice.length === 0) return null
  return (
    <section className="bench-figures" aria-label="Worked out from our figures">
      {facts.length > 0 && (
        <dl>
          {facts.slice(0, most).map(({ id, name, text }) => (
            <div key={id}>
              <dt>{name}</dt>
              <dd className="fig">{text}</dd>
            </div>
          ))}
        </dl>
      )}
      {advice.slice(0, most).map(({ id, level, words }) => (
        <p key={id}>
          <State level={level}>{words}</State>
        </p>
      ))}
      {context.measured?.heads[step.id] && <HeadPicture context={context} filled={filled as unknown as DistilBlanks} />}
      {context.measured?.temperatures[step.id] && (step.kind === 'reflux' || step.kind === 'hold') && (
        <BandPicture context={context} filled={filled as unknown as Band} />
      )}
    </section>
  )
}
