import { decimalsJustified, times, exact, type Figure } from '../quantity/figure'
import { writeNumber } from '../quantity/write'
import { lineOf, substanceOf } from '../plan/plan'
import type { RunState } from '../run/foldRun'
import type { BaseResults } from './baseResults'

/** One source of uncertainty of a result. */
export interface Contribution {
  words: string
  /** Relative standard uncertainty. */
  u: number
  /** Its part of the variance of the result, 0 to 1. */
  share: number
  how: string
}

/** What makes a percentage uncertain, the largest first. Only what devices and written figures say: not whether the solid was dry. */
export interface Budget {
  /** The percentage, in per cent, and its expanded uncertainty (k = 2), in per cent of the whole. */
  percent: number
  expanded: number
  /** Decimals of the percentage that its inputs justify. */
  decimals: number
  text: string
  contributions: Contribution[]
}

/** Coverage factor for about 95 %, GUM 6.3.3. */
const coverage = 2

/**
 * The uncertainty budget of the yield or recovery of a run: relative standard uncertainties of a quotient of independent readings add in quadrature (GUM 5.1.6). Null where nothing has been weighed.
 */
export function budgetOf(run: RunState, base: BaseResults): Budget | null {
  const { result, whole } = base
  const product = result && run.samples[result.sample]
  if (!result || !whole || !product) return null
  const named = base.limiting.length > 0 && result.kind === 'yield' ? base.limiting : [run.plan.reference]
  const names = named.map((id) => substanceOf(run.plan, lineOf(run.plan, id)).name).join(' and ')
  const planned = named.some((id) => !run.charged[id])
  const parts = [
    {
      words: `weighing the product`,
      u: product.mass.u,
      how: `${writeNumber(product.mass.value, 3)} g ± ${writeNumber(coverage * product.mass.u * product.mass.value, 3)} g from two readings of its balance`,
    },
    {
      words: `charging ${names}`,
      u: whole.u,
      how: planned
        ? 'the plan’s amount stands in: what really went in was not measured'
        : `± ${writeNumber(100 * coverage * whole.u, 2)} % from its balance or measure`,
    },
  ]
  const all = parts.reduce((sum, { u }) => sum + u * u, 0)
  const percent: Figure = times(result.figure, exact(100))
  const expanded = coverage * percent.u * Math.abs(percent.value)
  const decimals = decimalsIn(percent)
  return {
    percent: percent.value,
    expanded,
    decimals,
    text: `${writeNumber(percent.value, decimals)} % ± ${writeNumber(expanded, Math.max(decimals, expanded < 1 ? 1 : 0))} %`,
    contributions: parts
      .map((part) => ({ ...part, share: all === 0 ? 0 : (part.u * part.u) / all }))
      .sort((a, b) => b.share - a.share),
  }
}

/** As many decimals as the figures behind it justify, and none that its uncertainty drowns; one at most. */
function decimalsIn(percent: Figure): number {
  const drowned = percent.u > 0 ? Math.max(0, Math.floor(-Math.log10(percent.u * Math.abs(percent.value)))) : 1
  return Math.min(1, decimalsJustified(percent), drowned)
}
