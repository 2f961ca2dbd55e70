import { addStep } from '../../edit/addStep'
import type { Operation } from '../../operations/operation'
import { operationOf, operations, type OperationKey } from '../../operations/registry'
import { namable } from '../../operations/wordFigures'
import { changeStep } from '../../plan/editPlan'
import { isCharged, type Line, type Plan, type Step } from '../../plan/plan'
import { capital } from '../../words/capital'
import { asWords } from '../../words/words'
import type { Proposal, ProposedStep } from './proposal'
import type { TextRead } from './readText'
import { withSamples, type Samples } from './samples'
import { ownFields, workFields } from './stepFields'
import { factsSaid, wasteSaid } from './stepFactsSaid'
import { stepWords, tidy, token } from './stepWords'

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

/** A plan that grows, step by step of the text. */
export interface Taking {
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
export function take(taking: Taking, proposed: ProposedStep): void {
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
