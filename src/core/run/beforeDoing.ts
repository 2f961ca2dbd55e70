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

/** Something that stands open before a step: in which words, of which step, and what it is, so that it is asked about once. */
interface OpenPoint {
  key: string
  said: string
  title: string | null
}

function pointsBefore(run: RunState, at: number): OpenPoint[] {
  const of = (said: string, which: (state: StepState) => boolean): OpenPoint[] =>
    run.steps
      .slice(0, at)
      .filter(which)
      .map(({ step }) => ({ key: `${said} ${step.id}`, said, title: printed(step.title) }))
  return [
    ...of('not signed yet:', ({ signature }) => signature.state === 'due' || signature.state === 'void'),
    ...of('two figures in', ({ twice }) => twice.length > 0),
    ...of('left out:', ({ skipped, step }) => skipped !== null && step.kind === 'charge'),
    ...openCalls(run.calls)
      .filter(({ entry }) => entry.kind === 'incident')
      .map(({ entry }) => ({ key: entry.id, said: 'something happened and nobody has been there', title: null })),
  ]
}

/** Points that were shown and confirmed at an earlier step: what was open there then. What happened afterwards was not. */
function confirmedBefore(run: RunState, at: number): Set<string> {
  return new Set(
    run.steps.slice(0, at).flatMap(({ standing }, index) => {
      const confirmed = standing.findLast(({ kind }) => kind === 'confirmed')
      if (!confirmed) return []
      const incidents = new Map(run.calls.map(({ entry }) => [entry.id, entry.at]))
      return pointsBefore(run, index).flatMap(({ key }) => {
        const happened = incidents.get(key)
        return happened !== undefined && happened > confirmed.at ? [] : [key]
      })
    }),
  )
}

/** What stands open before a step and was not confirmed before, in words. */
function openBefore(run: RunState, at: number): string[] {
  const known = confirmedBefore(run, at)
  const open = pointsBefore(run, at).filter(({ key }) => !known.has(key))
  return [...new Set(open.map(({ said }) => said))].map((said) => {
    const titles = open.flatMap((each) => (each.said === said && each.title !== null ? [`“${each.title}”`] : []))
    return [said, titles.join(', ')].filter(Boolean).join(' ')
  })
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
