import { addLine, changeStep } from '../../plan/editPlan'
import { emptyPlan } from '../../edit/newPlan'
import { addStep } from '../../edit/addStep'
import { isCharged, type Line, type Plan, type Step } from '../../plan/plan'
import { devices } from '../../quantity/device'
import { inBaseUnit } from '../../quantity/unit'
import { capital } from '../../words/capital'
import { asWords } from '../../words/words'
import { queriesOf } from '../../query/queries'
import { namable } from '../../operations/wordFigures'
import { operationOf, operations, type OperationKey } from '../../operations/registry'
import { planners } from '../../operations/planners'
import type { Operation } from '../../operations/operation'
import type { Proposal, ProposedLine, ProposedStep } from './proposal'
import { factsSaid, wasteSaid } from './stepFactsSaid'
import { stepWords, tidy, token } from './stepWords'
import type { TextRead } from './readText'

/** The smallest cylinder that holds it, and a graduated pipette for little. */
function deviceFor(line: ProposedLine): string | undefined {
  const { anchor } = line
  if (anchor?.of === 'mass') return 'balance-0.01'
  if (anchor?.of !== 'volume') return undefined
  const mL = inBaseUnit(anchor.quantity)
  if (mL <= 1) return 'pipette-5'
  return devices.find(({ id }) => id.startsWith('cylinder-') && Number(id.slice(9)) >= mL)?.id ?? 'cylinder-100'
}

function lineIn(plan: Plan, proposed: ProposedLine): Plan {
  const substance = proposed.substance!
  const before = new Set(plan.lines.map(({ id }) => id))
  const added = addLine(plan, substance, proposed.role)
  const fresh = added.lines.find(({ id }) => !before.has(id))!
  const device = deviceFor(proposed)
  const line: Line = {
    ...fresh,
    id: proposed.id,
    coefficient: proposed.coefficient,
    form: proposed.form,
    anchor: proposed.anchor,
    ...(device ? { device } : {}),
    ...(proposed.note ? { note: proposed.note } : {}),
  }
  return { ...added, lines: added.lines.map((each) => (each.id === fresh.id ? line : each)) }
}

/** The sample that a step is about, as the text goes on: crude before it is purified. */
interface Samples {
  last: string
  dry: boolean
  purified: number
}

const isHold = (step: Step): step is Extract<Step, { kind: 'hold' }> => step.kind === 'hold'

/** Fields of the step itself that were read: clock, waiting, solvent. */
function ownFields(step: Step, proposed: ProposedStep, plan: Plan): Record<string, unknown> {
  const own = Object.fromEntries(
    proposed.fields.filter(({ key }) => key.startsWith('@')).map(({ key, value }) => [key.slice(1), value]),
  )
  const minutes = Number(own.holdMin ?? own.waitMin ?? NaN)
  if (Number.isNaN(minutes)) return {}
  if (isHold(step) || step.kind === 'reflux') return { holdMin: Math.max(0.1, minutes), waitMin: minutes }
  return plan.steps.length > 0 && minutes <= 10_000 ? { waitMin: minutes } : {}
}

/** Blanks of the planner that were read, as far as its operation has them and they keep to its bounds. */
function workFields(operation: OperationKey, proposed: ProposedStep): Record<string, number | string> {
  const fields = planners[operation]?.fields ?? []
  return Object.fromEntries(
    proposed.fields.flatMap(({ key, value }): [string, number | string][] => {
      const field = fields.find((each) => each.key === key)
      if (!field || field.kind === 'rows') return []
      if (field.kind === 'number')
        return typeof value === 'number' && value >= field.least && value <= field.most ? [[key, value]] : []
      if (field.kind === 'choice') return field.ways.some((way) => way.value === value) ? [[key, value]] : []
      return [[key, value]]
    }),
  )
}

/** What a step is called in the thread: its operation, with what it takes where that tells it apart. */
function titleOf(operation: OperationKey, names: readonly string[]): string {
  const { name } = operations[operation]
  const [first] = names
  if (first === undefined) return capital(name)
  if (operation === 'charge') return `Measure ${first}`
  if (operation === 'add') return `Add ${first}`
  if (operation === 'dry-solution') return `Dry over ${first}`
  if (operation === 'crystallise') return `Recrystallise from ${first}`
  return operation === 'wash' || operation === 'extract' || operation === 'quench' || operation === 'rinse'
    ? capital(`${name} with ${first}`)
    : capital(name)
}

function withSamples(step: Step, said: string, samples: Samples): Step {
  switch (step.kind) {
    case 'weigh':
      return { ...step, sample: samples.last, dry: samples.dry && !/\b(?:damp|wet|crude)\b/i.test(said) }
    case 'dry':
      samples.dry = true
      return { ...step, sample: samples.last }
    case 'melt':
      return { ...step, sample: samples.last }
    case 'crystallise': {
      samples.purified += 1
      const to = samples.purified === 1 ? 'purified' : `purified-${samples.purified}`
      const next = { ...step, from: samples.last, to }
      samples.last = to
      samples.dry = false
      return next
    }
    default:
      return step
  }
}

interface Taking {
  proposal: Proposal
  plan: Plan
  samples: Samples
}

const plainSentence = (read: TextRead, { from, to }: { from: number; to: number }) => tidy(read.text.slice(from, to))

/** What a step of the text says as words of the plan. */
function wordsOf(taking: Taking, proposed: ProposedStep, made: Step, parts: ReadonlyMap<string, number>): string {
  const { proposal } = taking
  const { of } = proposed.read
  const [first] = proposed.lines
  const portions = made.work && 'portions' in made.work ? ' in {@portions} portions' : ''
  // Several things by one verb: each says its own, and what is measured out last has the words of all.
  if (of && first && parts.has(first.id) && (made.kind !== 'charge' || of.index < of.count - 1))
    return made.kind === 'charge'
      ? `Measure ${token(first.id, parts.get(first.id)!)}.`
      : `${capital(operations[proposed.operation].name)} with {${first.id}}${portions}.`
  const others = proposal.steps
    .filter(
      (each) =>
        each !== proposed &&
        each.offered === undefined &&
        each.read.from === proposed.read.from &&
        each.read.to === proposed.read.to,
    )
    .flatMap(({ lines }) => lines)
  const names = new Map([...others, ...proposed.lines].map(({ id }) => [id, written(proposal, id)]))
  return stepWords(proposal.read, proposed, {
    amounts: parts,
    names,
    others,
    namable: new Set(namable(taking.plan, made).map(({ key }) => key)),
  })
}

/** The operation as it can stand: what measures nothing out is done and ticked off. */
function standing(taking: Taking, { operation, lines }: ProposedStep): OperationKey {
  const there = lines.filter(({ id }) => taking.plan.lines.some((line) => line.id === id && isCharged(line)))
  if (there.length > 0) return operation
  return operation === 'charge' ? 'add' : operation === 'crystallise' ? 'dissolve' : operation
}

/** One step of the text as a step of the plan. */
function take(taking: Taking, proposed: ProposedStep): void {
  const { read } = taking.proposal
  const operation = standing(taking, proposed)
  const here = proposed.lines.filter(({ id }) => taking.plan.lines.some((line) => line.id === id))
  const name = (id: string) =>
    taking.plan.substances.find((each) => each.id === taking.plan.lines.find((line) => line.id === id)?.substance)?.name ?? id
  const { plan: next, id } = addStep(taking.plan, operation)
  const fresh = next.steps.find((each) => each.id === id)!
  const put = (step: Step) => {
    taking.plan = changeStep({ ...next, steps: next.steps.map((each) => (each.id === id ? step : each)) }, id, {})
  }
  if (proposed.offered !== undefined) {
    put(withSamples(fresh, '', taking.samples))
    return
  }
  const title = asWords(
    titleOf(
      operation,
      here.map((each) => name(each.id)),
    ),
  )
  const parts = new Map(here.map((each) => [each.id, proposed.parts?.[each.id] ?? 1]))
  const line = here[0] && taking.plan.lines.find((each) => each.id === here[0]!.id)
  const base = { ...fresh, title } as Step
  const withLine =
    base.kind === 'charge' && line
      ? charging(base, line, parts.get(line.id) ?? 1)
      : base.kind === 'crystallise' && line
        ? { ...base, solvent: line.id }
        : base
  const said = read.text.slice(proposed.read.from, proposed.read.to)
  const work = workFields(operation, proposed)
  const made = {
    ...withSamples(withLine, said, taking.samples),
    ...ownFields(base, proposed, next),
    ...(Object.keys(work).length > 0 ? { work: { of: operation, ...work } } : {}),
  } as Step
  put(spoken(taking, proposed, made, parts))
}

/** The step with what the text says about it: words, sign, warnings, vessel, facts, waste. */
function spoken(taking: Taking, proposed: ProposedStep, made: Step, parts: ReadonlyMap<string, number>): Step {
  const { read } = taking.proposal
  const { warnings, words: left, until, vessel } = proposed.read
  const operation = operationOf(made)!
  const words = [wordsOf(taking, proposed, made, parts), ...left.map((span) => plainSentence(read, span))].filter(Boolean)
  const cautions = warnings.map((span) => plainSentence(read, span))
  const sign = until && tidy(read.text.slice(until.from, until.to)).replace(/\.$/, '').replace(/^U/, 'u')
  const facts = factsSaid([...words, sign ?? ''].join(' '), (operations[operation] as Operation).asks ?? [])
  const waste = operation === 'dispose' ? wasteSaid(words.join(' ')) : []
  const { says: _usual, until: _until, ...bare } = made
  return {
    ...bare,
    text: asWords(words.join(' ') || `${capital(operations[operation].name)}.`),
    ...(cautions.length > 0 ? { caution: asWords(cautions.join(' ')) } : {}),
    ...(sign ? { until: asWords(sign) } : {}),
    ...(facts.length > 0 ? { says: facts } : {}),
    ...(waste.length > 0 ? { waste: waste.map((into) => ({ into })) } : {}),
    ...(vessel ? { vessel: { kind: vessel.kind, sizeML: vessel.sizeML } } : {}),
  } as Step
}

const written = ({ lines }: Proposal, id: string) => {
  const line = lines.find((each) => each.id === id)
  return line?.substance?.name ?? line?.written ?? id
}

function charging(step: Extract<Step, { kind: 'charge' }>, line: Line, part: number): Step {
  const { weighing: _weighing, ...rest } = step
  const measure = line.anchor?.of === 'volume' || (line.anchor?.of !== 'mass' && line.form.kind !== 'solid') ? 'volume' : 'mass'
  return {
    ...rest,
    line: line.id,
    measure,
    ...(measure === 'mass' ? { weighing: ['tare' as const, 'difference' as const] } : {}),
    container: measure === 'mass' ? 'weighing paper' : 'measuring cylinder',
    device: line.device ?? (measure === 'mass' ? 'balance-0.01' : 'cylinder-10'),
    ...(part < 1 ? { portion: part } : {}),
  }
}

/** What is expected, where the text gives a share of theory. */
function expectedOf({ read, does }: Proposal): Pick<Plan, 'expectedYield'> {
  const said = read.sayings.find(({ of, high }) => of === 'yield percent' && high <= 100)
  return said && does === 'makes' ? { expectedYield: { low: said.low / 100, high: said.high / 100 } } : {}
}

/** Melting ranges that the text gives go into the steps that melt. */
function withLiterature(plan: Plan, { read, product, lines }: Proposal): Plan {
  const made = lines.find(({ id }) => id === product)?.substance?.id
  const melting = read.sayings.find(({ of, substance }) => of === 'melting' && (substance === undefined || substance === made))
  if (!melting) return plan
  return {
    ...plan,
    steps: plan.steps.map((step) =>
      step.kind === 'melt' && !step.work ? { ...step, work: { of: 'melt', lowC: melting.low, highC: melting.high } } : step,
    ),
  }
}

/** What was offered stands complete: every check before heat, and a container for everything that has one on record. */
function withOffered(plan: Plan, { steps }: Proposal): Plan {
  const added = (operation: OperationKey) =>
    steps.some((step) => step.offered !== undefined && step.operation === operation && step.asks.length === 0)
  const checks = added('assemble') ? queriesOf(plan).find(({ id, remedy }) => id.startsWith('checks-') && remedy) : undefined
  const checked = checks?.remedy ? checks.remedy.apply(plan) : plan
  if (!added('dispose')) return checked
  const streams = [
    ...new Set(
      checked.lines.filter(isCharged).flatMap((line) => checked.substances.find(({ id }) => id === line.substance)?.waste ?? []),
    ),
  ]
  const placed = streams.filter((stream) => !/by itself|kept wet/.test(stream))
  return {
    ...checked,
    steps: checked.steps.map((step) =>
      operationOf(step) === 'dispose' && placed.length > 0 ? { ...step, waste: placed.map((into) => ({ into })) } : step,
    ),
  }
}

/** The plan of what was taken: nothing that still asks, and nothing that was left out, is in it; and the step that each item became. */
export function planAndSteps(proposal: Proposal): { plan: Plan; stepOf: Map<string, Step> } {
  const lines = proposal.lines.filter(({ substance, asks }) => substance !== undefined && asks.length === 0)
  const begun = addStep(lines.reduce(lineIn, emptyPlan(proposal.title || 'Untitled')), 'safety').plan
  const there = (id: string | undefined) => (id !== undefined && lines.some((line) => line.id === id) ? id : undefined)
  const reference = there(proposal.reference) ?? begun.lines.find(isCharged)?.id ?? begun.lines[0]?.id ?? ''
  const product = there(proposal.product)
  const headed: Plan = {
    ...begun,
    reference,
    ...(product && proposal.does === 'makes' ? { mainProduct: product, ...expectedOf(proposal) } : {}),
    ...(product && proposal.does === 'isolates' ? { recoveries: [{ sample: 'purified', product, of: reference }] } : {}),
  }
  const taking: Taking = { proposal, plan: headed, samples: { last: 'crude', dry: false, purified: 0 } }
  const ids: [item: string, step: string][] = []
  for (const step of proposal.steps) {
    if (step.asks.length > 0) continue
    take(taking, step)
    ids.push([step.id, taking.plan.steps.at(-1)!.id])
  }
  const plan = withOffered(withLiterature(taking.plan, proposal), proposal)
  return { plan, stepOf: new Map(ids.map(([item, id]) => [item, plan.steps.find((step) => step.id === id)!])) }
}

/** The plan of what was taken. */
export const planFrom = (proposal: Proposal): Plan => planAndSteps(proposal).plan
