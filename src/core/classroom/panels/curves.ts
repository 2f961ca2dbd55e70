import { inOneRow } from '../../operations/distil/headReadings'
import { operationIn } from '../../operations/registry'
import type { Plan, Step } from '../../plan/plan'
import { measuredOf } from '../../run/measured'
import { printed } from '../../words/words'
import type { Folded } from '../foldClass'

/** The distillation curves of a class over one another: head against what has come over, one apparatus at a time. */
export interface CurvePanel {
  key: string
  title: string
  /** Where each receiver's window lies. */
  windows: { title: string; lowC: number | null; highC: number | null }[]
  benches: { bench: number; points: { volumeML: number; headC: number }[] }[]
}

/** The steps that distil with one set-up, in a row. */
export function distillationsOf(plan: Plan): Step[][] {
  const rows: Step[][] = []
  let open = false
  for (const step of plan.steps) {
    const operation = operationIn(step)
    if (operation?.setsUp) open = false
    if (operation?.measures !== 'head') continue
    if (open) rows.at(-1)!.push(step)
    else rows.push([step])
    open = true
  }
  return rows
}

/** Every distillation of a plan with the readings of each bench, at scale 1: a volume over the scale of its group. */
export function curvePanels(plan: Plan, folded: readonly Folded[]): CurvePanel[] {
  return distillationsOf(plan).map((steps) => ({
    key: steps[0]!.id,
    title: steps.map(({ title }) => printed(title)).join(', '),
    windows: steps.map((step) => {
      const work = step.kind === 'act' ? step.work : undefined
      const bound = (value: unknown) => (typeof value === 'number' ? value : null)
      return { title: printed(step.title), lowC: bound(work?.lowC), highC: bound(work?.highC) }
    }),
    benches: folded.flatMap(({ run, state }) => {
      const { heads } = measuredOf(state)
      const points = inOneRow(steps.map(({ id }) => heads[id] ?? []))
      return points.length === 0
        ? []
        : [{ bench: run.bench, points: points.map(({ volumeML, headC }) => ({ volumeML: volumeML / run.scale, headC })) }]
    }),
  }))
}
