import { computedLine } from '../../reaction/reactionTable'
import { lineOf, substanceOf, type Plan } from '../../plan/plan'
import type { Folded } from '../foldClass'

/** What came back of each part of a mixture, and what did not. */
export interface BalancePanel {
  of: string
  parts: { sample: string; name: string; putPercent: number }[]
  benches: { bench: number; putG: number; got: { sample: string; g: number | null; dry: boolean }[]; missingG: number | null }[]
}

/** The mass balance of every material of which more than one part is got back. */
export function balancePanels(plan: Plan, folded: readonly Folded[]): BalancePanel[] {
  const parts = (plan.recoveries ?? []).flatMap(({ sample, product }) => {
    const { anchor } = lineOf(plan, product)
    return anchor?.of === 'share'
      ? [{ sample, material: anchor.line, percent: anchor.percent, name: substanceOf(plan, lineOf(plan, product)).name }]
      : []
  })
  const materials = [...new Set(parts.map(({ material }) => material))]
  return materials.flatMap((material): BalancePanel[] => {
    const own = parts.filter((part) => part.material === material)
    if (own.length < 2) return []
    return [
      {
        of: substanceOf(plan, lineOf(plan, material)).name,
        parts: own.map(({ sample, name, percent }) => ({ sample, name, putPercent: percent })),
        benches: folded.flatMap(({ run, state, results }) => {
          const putG = computedLine(results.table, material).mass?.value
          if (!putG) return []
          const got = own.map(({ sample }) => ({
            sample,
            g: state.samples[sample]?.mass.value ?? null,
            dry: state.samples[sample]?.dry ?? false,
          }))
          const all = got.every(({ g }) => g !== null)
          return [{ bench: run.bench, putG, got, missingG: all ? putG - got.reduce((sum, { g }) => sum + g!, 0) : null }]
        }),
      },
    ]
  })
}
