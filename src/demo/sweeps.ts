import { createHash } from 'node:crypto'
import type { Plan, Step, WorkValue } from '@/core/plan/plan'
import { changeStep } from '@/core/plan/editPlan'
import type { Field } from '@/core/operations/fields'
import { contextOf, filledFor, plannerFor, planners, reportFor, tablesFor, takenFor } from '@/core/operations/planners'
import { operationOf } from '@/core/operations/registry'
import { typedFor } from '@/core/plan/typedFor'
import { queriesOf } from '@/core/query/queries'
import { reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'
import { plans } from './plans'

/** So many steps of the demo are turned through for each planner. */
const stepsEach = 3

const rounded = (value: unknown): unknown =>
  typeof value === 'number'
    ? Number(value.toPrecision(5))
    : Array.isArray(value)
      ? value.map(rounded)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(Object.entries(value).map(([key, part]) => [key, rounded(part)]))
        : value
const plain = (value: unknown) => (typeof value === 'string' ? value : JSON.stringify(rounded(value)))
const short = (value: unknown) => createHash('sha1').update(plain(value)).digest('hex').slice(0, 6)

/** The figures that stand in words: how they are said may change. */
const figuresIn = (words: string) => (words.match(/\d+(?:\.\d+)?/g) ?? []).join(' ')

/** What follows from a step as it stands, each thing under its name; with the tables and the queries of the whole plan where they are asked for, which take longer. */
function following(plan: Plan, table: ReactionTable, id: string, asks: boolean): Map<string, string> {
  const step = plan.steps.find((each) => each.id === id)!
  const context = contextOf(plan, table, step)
  const filled = filledFor(context)
  const { facts, advice, ladder } = reportFor(context, filled)!
  const found = new Map<string, string>()
  for (const [key, value] of Object.entries(filled)) found.set(key, typeof value === 'object' ? short(value) : plain(value))
  for (const { id: of, value, text, how = '' } of facts) found.set(`=${of}`, `${plain(value)} ${short(figuresIn(text + how))}`)
  for (const { id: of, level, words, why = '' } of advice) found.set(`!${of}`, `${level} ${figuresIn(words + why)}`.trim())
  if (ladder) found.set('rungs', short(figuresIn(ladder.rungs.join('; '))))
  found.set(
    'said',
    short(
      plannerFor(step)!
        .sentences(filled)
        .map((sentence) => sentence.match(/\{[^}]*\}/g)),
    ),
  )
  found.set('takes', short(takenFor(context, filled)))
  if (!asks) return found
  for (const [name, value] of Object.entries(tablesFor(context, filled))) found.set(`#${name}`, short(value))
  for (const query of queriesOf(plan, table)) found.set(`?${query.id}`, 'asked')
  return found
}

/** What a blank is turned to: its bounds, and half and twice what stands there. */
function turns(field: Field, now: WorkValue | undefined): WorkValue[] {
  if (field.kind === 'choice') return field.ways.map(({ value }) => value).filter((value) => value !== now)
  if (field.kind !== 'number') return []
  const value = typeof now === 'number' ? now : 0
  const near = value === 0 ? [1, field.most / 10] : [value * 0.5, value * 0.9, value * 1.1, value * 2]
  const all = [field.least, ...near, field.most].map((each) => Number(each.toPrecision(4)))
  return [...new Set(all)].filter((each) => each >= field.least && each <= field.most && each !== now)
}

const changed = (before: Map<string, string>, after: Map<string, string>): string =>
  [...new Set([...before.keys(), ...after.keys()])]
    .filter((key) => before.get(key) !== after.get(key))
    .map((key) => `${key} ${after.get(key) ?? '–'}`)
    .join('; ')

export interface Place {
  name: string
  plan: Plan
  step: Step
}

/** The steps of the demo on which the planners are turned. */
export const places = (): Place[] =>
  Object.keys(planners).flatMap((operation) =>
    plans
      .flatMap((plan) =>
        plan.steps.flatMap((step): Place[] =>
          operationOf(step) === operation ? [{ name: `${operation} ${step.id} of ${plan.title}`, plan, step }] : [],
        ),
      )
      .slice(0, stepsEach),
  )

/** Every blank of a planner turned through its values, and what each turn changes. At the ends of a blank tables and queries are worked out too. */
export function sweep({ plan, step }: Place): string[] {
  const table = reactionTable(plan)
  const before = { quiet: following(plan, table, step.id, false), asked: following(plan, table, step.id, true) }
  const filled = filledFor(contextOf(plan, table, step))
  return plannerFor(step)!.fields.flatMap((field) =>
    turns(field, filled[field.key]).map((value) => {
      const asks = field.kind !== 'number' || value === field.least || value === field.most
      const work = { of: operationOf(step), ...typedFor(step), [field.key]: value } as Step['work']
      const after = following(changeStep(plan, step.id, { work }), table, step.id, asks)
      return `${field.key} ${plain(value)}: ${changed(asks ? before.asked : before.quiet, after)}`
    }),
  )
}
