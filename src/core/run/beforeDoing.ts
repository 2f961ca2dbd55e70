import { isApart } from '../measurements/registry'
import { operationIn } from '../operations/registry'
import { productSample, type Step } from '../plan/plan'
import { printed } from '../words/words'
import { openCalls } from './calls'
import type { RunState } from './foldRun'
import type { StepState } from './stepState'

/** What cannot be taken back in chemistry. */
export type Final = 'goes in' | 'is thrown away' | 'is driven off'

/** Whether what a step does can be taken back; null where it can. */
export function finalIn(step: Step): Final | null {
  const operation = operationIn(step)
  if (operation?.place === 'waste' || step.says?.includes('layer-discarded')) return 'is thrown away'
  return operation?.final ?? null
}

/** What is asked before a step that cannot be taken back. */
export interface Before {
  question: string
  /** It is gone on with for a reason that stays in the book. */
  needsReason: boolean
}

/** That of it nothing can be taken back. */
export const finalWords: Readonly<Record<Final, string>> = {
  'goes in': 'What goes in cannot be taken out again.',
  'is thrown away': 'What is thrown away cannot be got back.',
  'is driven off': 'What is driven off cannot be put back.',
}

/** What stands open before a step, in words. */
function openBefore(run: RunState, at: number): string[] {
  const earlier = run.steps.slice(0, at)
  const titles = (which: (state: StepState) => boolean) => earlier.filter(which).map(({ step }) => printed(step.title))
  const list = (said: string, of: readonly string[]) =>
    of.length > 0 ? [`${said} ${of.map((each) => `“${each}”`).join(', ')}`] : []
  return [
    ...list(
      'not signed yet:',
      titles(({ signature }) => signature.state === 'due' || signature.state === 'void'),
    ),
    ...list(
      'two figures in',
      titles(({ twice }) => twice.length > 0),
    ),
    ...list(
      'left out:',
      titles(({ skipped, step }) => skipped !== null && step.kind === 'charge'),
    ),
    ...(openCalls(run.calls).some(({ entry }) => entry.kind === 'incident')
      ? ['something happened and nobody has been there']
      : []),
  ]
}

/** Nothing is thrown away before the product is weighed; where nothing is weighed, before the work is done. */
export function productIsSafe({ samples, plan, steps, now }: Pick<RunState, 'samples' | 'plan' | 'steps' | 'now'>): boolean {
  const weighs = plan.steps.some((step) => step.kind === 'weigh' || step.kind === 'dry')
  return weighs ? samples[productSample(plan)] !== undefined : now >= steps.length - 1
}

/**
 * What is asked before a step that cannot be taken back, once, before anything of it is written: always where something is thrown away, and with a reason where the product is not weighed yet; of what goes in or is
 * driven off only where something before it is open. Null where nothing is asked.
 */
export function askBefore(run: RunState, state: StepState): Before | null {
  const final = finalIn(state.step)
  if (!final || state.status === 'done') return null
  if (
    state.standing.some(
      ({ kind }) => kind === 'confirmed' || (!isApart(kind) && kind !== 'again' && kind !== 'ahead' && kind !== 'observation'),
    )
  )
    return null
  const open = openBefore(run, run.steps.indexOf(state))
  const early = final === 'is thrown away' && !productIsSafe(run)
  if (!early && open.length === 0 && final !== 'is thrown away') return null
  return {
    question: [
      finalWords[final],
      ...(early ? ['The product is not weighed yet.'] : []),
      ...(open.length > 0 ? [`Still open: ${open.join('; ')}.`] : []),
      'Go on?',
    ].join(' '),
    needsReason: early,
  }
}
