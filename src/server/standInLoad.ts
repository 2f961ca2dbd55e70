import { substanceOfSample } from '@/core/plan/plan'
import { typedFor } from '@/core/plan/typedFor'
import { exact, times } from '@/core/quantity/figure'
import { computedLine, theoreticalYield } from '@/core/reaction/reactionTable'
import { foldRun } from '@/core/run/foldRun'
import { oursIn } from '@/core/run/ours'
import type { InstrumentKind } from '@/devices/line'
import type { BenchView } from './runs'

/** A vial, a watch glass: what an empty container weighs, g. */
const containerG = 23.418
/** What a group that works with care gets of the theory. */
const usualPart = 0.7

/**
 * What a stand-in is given to show, so that a demonstration goes on as a real one would: what the plan has on the balance in this place, the temperature that its liquid goes to, the product in the capillary. Null where
 * nothing is known.
 */
export function standInLoad(view: BenchView, stepId: string, kind: InstrumentKind, slot: string): string | null {
  const run = foldRun(view.plan, view.scale, view.entries)
  const state = run.steps.find(({ step }) => step.id === stepId)
  if (!state) return null
  const { step } = state
  if (kind === 'balance') {
    const planned = step.kind === 'charge' ? computedLine(oursIn(run, step).table, step.line).mass : null
    const part = step.kind === 'charge' && step.portion ? exact(step.portion) : exact(1)
    const theory = theoreticalYield(view.plan, run.planned)
    const contents = planned ? times(planned, part).value : theory ? usualPart * theory.value : 1
    if (slot === 'net') return `LOAD ${contents.toFixed(4)}`
    if (slot === 'tared' || slot === 'empty') return `LOAD ${containerG}`
    return `LOAD ${(containerG + contents).toFixed(4)}`
  }
  if (kind === 'thermometer') {
    const { highC, lowC, toC, ceilingC } = typedFor(step)
    const wanted = [highC, toC, ceilingC].find((each) => typeof each === 'number') as number | undefined
    const end = typeof lowC === 'number' && typeof highC === 'number' ? (lowC + highC) / 2 : wanted
    return end === undefined ? null : `LOAD 21 ${end} 0.2`
  }
  if (kind === 'melting') {
    const literature = 'sample' in step ? substanceOfSample(view.plan, step.sample)?.melting : undefined
    return literature ? `LOAD ${(literature.lowC - 0.6).toFixed(1)} ${(literature.highC - 0.4).toFixed(1)}` : null
  }
  const { literature } = typedFor(step)
  return typeof literature === 'number' && literature > 0 ? `LOAD ${literature}` : null
}
