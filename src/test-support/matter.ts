import { defaultLab, type Lab } from '@/core/lab/lab'
import { pHOfPhase, volumeOf } from '@/core/matter/phase'
import type { Span } from '@/core/matter/span'
import { holdingsIn, massOf, vesselAt, vesselNamed, type Bench, type Holding } from '@/core/matter/state'
import { walk, type Readings, type Walk } from '@/core/matter/walk'
import { effectOf } from '@/core/operations/effects'
import { makeStep } from '@/core/operations/makeStep'
import type { OperationKey } from '@/core/operations/registry'
import type { Form, Line, Plan, Step } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { asWords } from '@/core/words/words'
import { forPlan, recordNamed } from '@/reference/records'
import type { Substance } from '@/core/substance/substance'

/** A line as a test writes it: what, how much, and what it is in the plan where that matters. */
export interface ShortLine {
  of: string | Substance
  mL?: number
  g?: number
  mmol?: number
  form?: Form
  role?: Line['role']
  nu?: number
  share?: { of: string; percent: number }
}

/** A step as a test writes it: the operation, the lines that go in (`{id}` or `{id 50 %}`), what is typed, and a vessel. */
export interface ShortStep {
  op: OperationKey | 'none'
  in?: string
  typed?: Record<string, string | number>
  vessel?: Step['vessel']
  own?: Extract<Step, { kind: 'act' }>['own']
  more?: Partial<Step>
}

const substanceOf = (of: string | Substance): Substance => {
  if (typeof of !== 'string') return of
  const record = recordNamed(of)
  if (!record) throw new Error(`No record is called ${of}.`)
  return forPlan(record)
}

/** A plan from short lines and steps. */
export function shortPlan(lines: Record<string, ShortLine>, steps: readonly ShortStep[], more: Partial<Plan> = {}): Plan {
  const substances = new Map<string, Substance>()
  const made = Object.entries(lines).map(([id, short]): Line => {
    const substance = substanceOf(short.of)
    substances.set(substance.id, substance)
    const liquid = short.mL !== undefined
    const anchor: Line['anchor'] = short.share
      ? { of: 'share', line: short.share.of, percent: short.share.percent, decimals: 1 }
      : short.mL !== undefined
        ? { of: 'volume', quantity: { value: short.mL, unit: 'mL', decimals: 2 } }
        : short.g !== undefined
          ? { of: 'mass', quantity: { value: short.g, unit: 'g', decimals: 3 } }
          : short.mmol !== undefined
            ? { of: 'amount', quantity: { value: short.mmol, unit: 'mmol', decimals: 2 } }
            : null
    return {
      id,
      substance: substance.id,
      role: short.role ?? (short.share ? 'component' : 'work-up'),
      coefficient: short.nu ?? null,
      form: short.form ?? (liquid ? { kind: 'neat', purity: 1 } : { kind: 'solid', purity: 1 }),
      anchor,
    }
  })
  const bare: Plan = {
    format: 'mozle-plan',
    version: 3,
    title: 'Short',
    aim: '',
    substances: [...substances.values()],
    lines: made,
    reference: made[0]!.id,
    conditions: { above: '', below: '' },
    safety: { wear: [], atHand: [], ownWords: '' },
    steps: [],
    answers: [],
    ...more,
  }
  return { ...bare, steps: steps.map((step, at) => stepOf(step, at, bare)) }
}

function stepOf({ op, in: goes = '', typed, vessel, own, more }: ShortStep, at: number, plan: Plan): Step {
  const base = { id: `s${at}`, title: asWords(`${op} ${at}`) }
  const text = asWords(goes)
  const made: Step =
    op === 'none'
      ? { ...base, kind: 'act', verb: 'Done', text, handsOnMin: 1, waitMin: 0, ...(own ? { own } : {}) }
      : op === 'charge'
        ? { ...base, kind: 'act', operation: 'add', verb: 'Add', text, handsOnMin: 1, waitMin: 0 }
        : { ...makeStep(op, base, plan), text }
  return {
    ...made,
    ...(typed
      ? { work: { of: made.kind === 'act' || made.kind === 'hold' ? (made.operation ?? op) : made.kind, ...typed } }
      : {}),
    ...(vessel ? { vessel } : {}),
    ...more,
  } as Step
}

/** A walk with what tests ask of it. */
export interface Looked {
  plan: Plan
  walked: Walk
  bench: (step?: number, when?: 'before' | 'during' | 'after') => Bench
  /** mmol (g of a material) of a substance in a vessel, by name; in the one that the work goes on in where none is named. */
  mmol: (name: string, step?: number, vessel?: string, when?: 'before' | 'during' | 'after') => number | null
  grams: (step?: number, vessel?: string) => number | null
  /** Volume of all liquid in a vessel, mL. */
  mL: (step?: number, vessel?: string, when?: 'before' | 'during' | 'after') => number
  pH: (step?: number, vessel?: string) => number | null
  /** Gas that left in all, mmol. */
  gas: (name: string) => number | null
  events: (kind: string, step?: number) => readonly string[]
  span: (name: string, step: number, vessel?: string) => Span | 'unknown'
}

/** Walks through a plan. Steps are counted from 0; the last where none is named. */
export function look(plan: Plan, readings?: Readings, lab: Lab = defaultLab): Looked {
  const walked = walk({ plan, table: reactionTable(plan), lab, effects: effectOf, readings })
  const last = plan.steps.length - 1
  const bench = (step = last, when: 'before' | 'during' | 'after' = 'after') => walked.steps[step]![when]
  const inside = (at: Bench, vessel?: string) => {
    const found = vessel === undefined ? vesselAt(at) : vesselNamed(at, vessel)
    if (!found) throw new Error(`There is no “${vessel}”: ${at.vessels.map(({ name }) => name).join(', ')}.`)
    return found
  }
  const sum = (holds: readonly Holding[]) =>
    holds.reduce<number | null>((all, { amount }) => (all === null || amount === null ? null : all + amount), 0)
  return {
    plan,
    walked,
    bench,
    mmol: (name, step, vessel, when) =>
      sum(holdingsIn(inside(bench(step, when), vessel)).filter(({ thing }) => thing.name === name)),
    grams: (step, vessel) => massOf(holdingsIn(inside(bench(step), vessel))),
    mL: (step, vessel, when) =>
      inside(bench(step, when), vessel)
        .phases.filter(({ kind }) => kind !== 'solid')
        .reduce((all, phase) => all + volumeOf(phase).mL, 0),
    pH: (step, vessel) => {
      const watery = inside(bench(step), vessel).phases.find(({ kind }) => kind === 'watery')
      return watery ? pHOfPhase(watery) : null
    },
    gas: (name) => sum(bench().air.filter(({ thing }) => thing.name === name)),
    events: (kind, step) =>
      walked.steps.flatMap(({ events }, at) =>
        step !== undefined && at !== step
          ? []
          : events
              .filter((event) => event.kind === kind)
              .map((event) => ('what' in event ? event.what : 'thing' in event ? event.thing.name : '')),
      ),
    span: (name, step, vessel) => {
      const there = inside(bench(step), vessel)
      const thing = holdingsIn(there).find((each) => each.thing.name === name)?.thing
      if (!thing) return { low: 0, likely: 0, high: 0 }
      return walked.amount(step, 'after', there.name, thing)
    },
  }
}
