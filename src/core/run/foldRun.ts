import type { Plan, Step } from '../plan/plan'
import { reactionTable, type Charge, type ReactionTable } from '../reaction/reactionTable'
import { scalePlan } from '../edit/scalePlan'
import { plus, type Figure } from '../quantity/figure'
import { ends, isApart } from '../measurements/registry'
import { callsOf, type Call } from './calls'
import { clocksOf, ownClocks, type Clock } from './clocks'
import { isShown, type Entry, type ShownKind } from './entry'
import { lastTwoAgree } from '../measurements/agreement'
import type { Measurement, Net } from '../measurements/measurement'
import { readability } from '../measurements/numbers'
import { measurementIn } from '../operations/readings'
import { inOrder } from './order'
import { ownStepId, withContentsSaid, withOwnSteps } from './ownSteps'
import { poolsOf, type Pool } from './pools'
import type { SignatureState, StepState, Struck } from './stepState'
import { vesselsOf, type OwnVessel } from './vessels'
import { writtenTwice } from './writtenTwice'

export interface Sample {
  mass: Figure
  /** True when two weighings agreed, or the step says that the solid is dry. */
  dry: boolean
}

export interface RunState {
  scale: number
  /** The plan at this group's scale, with the steps that it has put in. */
  plan: Plan
  /** The table as planned at this scale. */
  planned: ReactionTable
  steps: StepState[]
  /** Index of the step that is now; the number of steps when all are done. */
  now: number
  clocks: Clock[]
  /** Who asks for a person, what happened, and what was said to the bench, in the order in which it was written. */
  calls: Call[]
  /** The bench that this group goes on with, and whether it goes on here; null for a group by itself. */
  joined: Entry<'joined'>['body'] | null
  /** What was put to a sample or given of it, g, by sample. */
  pools: Record<string, Pool>
  /** What stands where on this bench, as the group has said it. */
  vessels: OwnVessel[]
  charged: Record<string, Charge>
  samples: Record<string, Sample>
  /** The last melting range that stands, by sample. */
  melting: Record<string, Entry<'melting'>>
  /** What the group has worked out by itself, the last that stands. */
  worked: Entry<'worked'>['body'] | null
  /** Why this run does not count for its class; null where it does. */
  excluded: { reason: string; by: string; at: string; entry: string } | null
  /** Standing entries that the program asked about and the group kept. */
  odd: Entry<ShownKind>[]
}

/**
 * The state of a run from its plan, its scale and its entries. Entries may come in any order and more than once: they are
 * taken once each, in the order in which they were written (order.ts). Depends on nothing else, so server, browser and tests agree.
 */
export function foldRun(plan: Plan, scale: number, entries: readonly Entry[]): RunState {
  const unique = inOrder(entries)
  const successor = new Map<string, Entry>()
  for (const entry of unique) if (entry.supersedes !== null) successor.set(entry.supersedes, entry)
  const asPlanned = scalePlan(plan, scale)
  const planned = reactionTable(asPlanned)
  const struckNow = (id: string) => successor.has(id)
  const scaled = withContentsSaid(withOwnSteps(asPlanned, unique, struckNow), unique, struckNow)
  const putIn = new Map(unique.map((entry) => [ownStepId(entry), entry]))
  const byStep = groupByStep(unique)
  const byId = new Map(unique.map((entry) => [entry.id, entry]))
  const rank = new Map(unique.map(({ id }, index) => [id, index]))
  // A rewritten one stands in the place of the first.
  const place = (entry: Entry) => (entry.supersedes === null ? rank.get(entry.id)! : rank.get(firstOf(entry, byId).id)!)
  let now = -1
  const steps = scaled.steps.map((step, index): StepState => {
    const all = byStep.get(step.id) ?? []
    const everything = all
      .filter((entry) => !successor.has(entry.id) && entry.kind !== 'strike' && entry.kind !== 'signature')
      .sort((a, b) => place(a) - place(b) || rank.get(a.id)! - rank.get(b.id)!)
    const struck = all.flatMap((entry): Struck[] => {
      const later = entry.kind === 'signature' ? undefined : successor.get(entry.id)
      return later ? [{ entry, by: later.by, at: later.at, reason: later.reason ?? '' }] : []
    })
    const measurement = measurementIn(step)
    const rounds = roundsOf(everything)
    const standing = rounds.at(-1)!
    const twice = writtenTwice(standing, measurement, byId)
    const netOf = (round: readonly Entry[]) =>
      round === standing && twice.length > 0 ? null : (measurement.net?.({ step, standing: round }) ?? null)
    const net = allOf(step, rounds.map(netOf))
    const done = twice.length === 0 && isDone(step, standing, netOf(standing), measurement)
    const work = everything.filter(({ kind }) => !isApart(kind))
    const skipped = standing.find(({ kind }) => kind === 'skip')
    const early = everything.find(({ kind }) => kind === 'ahead')
    if (!done && now < 0) now = index
    return {
      step,
      status: done ? 'done' : now === index ? 'now' : 'later',
      standing,
      struck,
      net,
      earlier: rounds.slice(0, -1).flat(),
      round: rounds.length,
      open: !done && (now === index || early !== undefined || rounds.length > 1),
      skipped: skipped ? (skipped.reason ?? '') : null,
      ahead: early ? (early.reason ?? '') : null,
      signature: skipped ? { state: 'not needed' } : signatureOf(step, all, everything, successor, done),
      startedAt: work[0]?.at ?? null,
      endedAt: work.at(-1)?.at ?? null,
      putIn: (putIn.get(step.id) as Entry<'step'> | undefined) ?? null,
      twice,
    }
  })

  const charged: Record<string, Charge> = {}
  const samples: Record<string, Sample> = {}
  const melting: RunState['melting'] = {}
  // A divided charge counts once all its parts are in: till then the plan's figure stands.
  const missing = new Set(
    steps.flatMap(({ step, net, putIn: own }) => (step.kind === 'charge' && !net && !own ? [step.line] : [])),
  )
  for (const { step, net, standing } of steps) {
    const range = standing.findLast((entry) => entry.kind === 'melting') as Entry<'melting'> | undefined
    if (step.kind === 'melt' && range) melting[step.sample] = range
    if (!net || (step.kind === 'charge' && missing.has(step.line))) continue
    if (step.kind === 'charge') {
      const before = charged[step.line]
      charged[step.line] = { measure: step.measure, figure: before ? plus(before.figure, net.figure) : net.figure }
    } else if (step.kind === 'weigh')
      samples[step.sample] = { mass: net.figure, dry: step.dry || staysDry(samples[step.sample], net.figure, steps, step.sample) }
    else if (step.kind === 'dry') samples[step.sample] = { mass: net.figure, dry: net.agreed === true }
  }
  const standing = steps.flatMap((step) => [...step.earlier, ...step.standing])
  return {
    scale,
    plan: scaled,
    planned,
    steps,
    now: now < 0 ? steps.length : now,
    clocks: [...clocksOf(steps), ...ownClocks(standing)],
    calls: callsOf(standing),
    joined: lastOf(standing, 'joined')?.body ?? null,
    pools: poolsOf(standing),
    vessels: vesselsOf(standing),
    charged,
    samples,
    melting,
    worked: lastOf(standing, 'worked')?.body ?? null,
    excluded: excludedIn(standing),
    odd: standing.filter((entry) => 'asked' in entry.body && entry.body.asked !== undefined) as Entry<ShownKind>[],
  }
}

const lastOf = <K extends Entry['kind']>(standing: readonly Entry[], kind: K) =>
  standing.findLast((entry) => entry.kind === kind) as Entry<K> | undefined

function excludedIn(standing: readonly Entry[]): RunState['excluded'] {
  const found = lastOf(standing, 'excluded')
  return found ? { reason: found.reason ?? '', by: found.by, at: found.at, entry: found.id } : null
}

/** What stands in a step, parted where it was begun once more; each round but the first begins with the entry that says so. */
function roundsOf(standing: readonly Entry[]): Entry[][] {
  const rounds: Entry[][] = [[]]
  for (const entry of standing) {
    if (entry.kind === 'again') rounds.push([])
    rounds.at(-1)!.push(entry)
  }
  return rounds
}

/** What a step comes to over its rounds: what was put in adds up, everything else is as it was last taken. */
function allOf(step: Step, nets: readonly (Net | null)[]): Net | null {
  const taken = nets.filter((net): net is Net => net !== null)
  const last = taken.at(-1)
  if (!last || step.kind !== 'charge') return last ?? null
  return { ...last, figure: taken.slice(0, -1).reduce((sum, net) => plus(net.figure, sum), last.figure) }
}

/** The first of a row of rewritten readings: each keeps its place in the order of its step. */
function firstOf(entry: Entry, byId: ReadonlyMap<string, Entry>): Entry {
  let first = entry
  const seen = new Set<string>()
  while (first.supersedes !== null && !seen.has(first.id)) {
    seen.add(first.id)
    const before = byId.get(first.supersedes)
    if (!before) break
    first = before
  }
  return first
}

function groupByStep(entries: Entry[]): Map<string, Entry[]> {
  const groups = new Map<string, Entry[]>()
  for (const entry of entries) {
    const group = groups.get(entry.step)
    if (group) group.push(entry)
    else groups.set(entry.step, [entry])
  }
  return groups
}

/** A solid that was dried to constant mass is still dry when it is weighed once more, unless it has grown heavier than two weighings may differ. */
function staysDry(before: Sample | undefined, mass: Figure, steps: readonly StepState[], sample: string): boolean {
  const drying = steps.find(({ step }) => step.kind === 'dry' && step.sample === sample)?.step
  if (!before?.dry || drying?.kind !== 'dry') return false
  return (
    mass.value <= before.mass.value || lastTwoAgree([before.mass.value, mass.value], drying.agreement, readability(drying.device))
  )
}

function isDone(step: Step, standing: readonly Entry[], net: Net | null, { isOver }: Measurement): boolean {
  return standing.some(({ kind }) => kind === 'done' || ends(kind)) || (isOver?.({ step, standing }, net) ?? false)
}

/** A signature holds while every reading it covers stands and it covers every reading of the step that stands. */
function signatureOf(
  step: Step,
  all: readonly Entry[],
  standing: readonly Entry[],
  successor: ReadonlyMap<string, Entry>,
  done: boolean,
): SignatureState {
  if (!step.witness) return { state: 'not needed' }
  const readings = standing.filter((entry) => isShown(entry))
  const signatures = all.filter((entry) => entry.kind === 'signature') as Entry<'signature'>[]
  const holds = signatures.findLast(
    ({ body }) =>
      readings.length > 0 &&
      readings.every(({ id }) => body.covers.includes(id)) &&
      body.covers.every((id) => !successor.has(id)),
  )
  if (holds) return { state: 'signed', by: holds.by, at: holds.at }
  const last = signatures.at(-1)
  if (last) return { state: 'void', by: last.by, at: last.at }
  return done ? { state: 'due' } : { state: 'not yet' }
}
