import { defaultLab, type Lab } from '../lab/lab'
import { operationIn, operationOf, type OperationKey } from './registry'
import type { Taken } from './taken'
import type { Plan, Step, Work, WorkRow, WorkValue } from '../plan/plan'
import { readHeld } from '../substance/heldById'
import type { Substance } from '../substance/substance'
import { typedFor } from '../plan/typedFor'
import type { ReactionTable } from '../reaction/reactionTable'
import { adding } from './add/planner'
import { cooling } from './cool/planner'
import { crystallising } from './crystallise/planner'
import { distilling } from './distil/planner'
import { dryingSolids } from './dry/planner'
import { dryingSolutions } from './dry-solution/planner'
import { evaporating } from './evaporate/planner'
import { extracting } from './extract/planner'
import { filtering } from './filter/planner'
import { heating } from './reflux/planner'
import { holding } from './heat/planner'
import { makingUp } from './make-up/planner'
import { melting } from './melt/planner'
import { ownPlanner } from './own-made/planner'
import type { Context, Measured, Planner, Report, Said } from './planner'
import type { Field, Filled } from './fields'
import { quenching } from './quench/planner'
import { sending } from './send/planner'
import { testing } from './test/planner'
import { washing } from './wash/planner'
import { takingBoilingRange } from './boil/planner'
import { diluting } from './dilute/planner'
import { takingIndex } from './refract/planner'
import { settingPH } from './set-ph/planner'
import { titrating } from './titrate/planner'

/** The planner of each operation that has one. */
export const planners: Partial<Record<OperationKey, Planner>> = Object.fromEntries(
  [
    heating,
    holding,
    cooling,
    adding,
    quenching,
    extracting,
    washing,
    dryingSolutions,
    filtering,
    evaporating,
    distilling,
    crystallising,
    dryingSolids,
    melting,
    testing,
    sending,
    takingBoilingRange,
    diluting,
    makingUp,
    takingIndex,
    settingPH,
    titrating,
  ].map((planner) => [planner.of, planner]),
)

/** The planner of a step's operation; undefined where it has none. */
export function plannerFor(step: Step): Planner | undefined {
  if (step.kind === 'act' && step.own) return ownPlanner(step.own)
  const operation = operationOf(step)
  return operation && planners[operation]
}

/** Where the planner of a step stands. @throws where the plan has no such step */
export function contextOf(
  plan: Plan,
  table: ReactionTable,
  step: Step,
  lab: Lab = defaultLab,
  measured?: Measured,
  solvents?: readonly Substance[],
): Context {
  if (!plan.steps.some(({ id }) => id === step.id)) throw new Error(`The plan has no step “${step.id}”.`)
  const context: Context = {
    plan,
    table,
    step,
    lab,
    ...(measured ? { measured } : {}),
    ...(solvents ? { solvents } : {}),
    filledOf: (other) => filledFor(contextOf(plan, table, other, lab, measured, solvents)),
  }
  return context
}

/** What is said of each blank of a step where nobody types anything, with where it comes from; nothing where its operation has no planner. */
export function suggestedFor(context: Context): Record<string, Said> {
  return plannerFor(context.step)?.suggest(context, typedIn(context)) ?? {}
}

/** Every blank of a step's planner: what is suggested, and over it what was typed. Empty where the operation has none. */
export function filledFor(context: Context, suggested = suggestedFor(context)): Filled {
  const values = Object.entries(suggested).map(([key, { value }]) => [key, value])
  return { ...Object.fromEntries(values), ...typedIn(context) }
}

/** The same for who knows which operation the step is, by the blanks of its planner. */
export const blanksOf = <B>(context: Context): B => filledFor(context) as unknown as B

/** What stands typed in a step once something is typed into a blank, or taken back from it. */
export function typedWith(
  { either }: Planner,
  typed: Partial<Work>,
  key: string,
  value: WorkValue | undefined,
): Record<string, WorkValue> {
  const { of: _of, ...all } = typed
  const rest = Object.entries(all).filter(
    ([other]) => other !== key && !(value !== undefined && either.includes(key) && either.includes(other)),
  )
  return Object.fromEntries([...rest, ...(value === undefined ? [] : [[key, value]])]) as Record<string, WorkValue>
}

/** What was typed for a step and can stand in the fields of its planner. A figure that a group's scale takes past its bound still stands: bounds are for typing. */
function typedIn({ plan, step, solvents = [] }: Context): Filled {
  const known = [...plan.substances, ...solvents]
  const fields = plannerFor(step)?.fields ?? []
  const typed = Object.entries(typedFor(step)).flatMap(([key, value]) => {
    const field = fields.find((each) => each.key === key)
    return field !== undefined && problemIn(unbounded(field), value) === undefined ? [[key, held(field, value!, known)]] : []
  })
  return Object.fromEntries(typed) as Filled
}

/** A typed value as rules have it: a substance by its id, whichever way it was named. */
function held(field: Field, value: WorkValue, known: readonly Substance[]): WorkValue {
  if (field.kind === 'text') return field.holds ? readHeld(known, String(value)) : value
  if (field.kind !== 'rows') return value
  const columns = field.columns.flatMap((each) => (each.kind === 'text' && each.holds ? [each.key] : []))
  return (value as WorkRow[]).map((row) =>
    columns.reduce((all, key) => (all[key] === undefined ? all : { ...all, [key]: readHeld(known, String(all[key])) }), row),
  )
}

const anyNumber = { least: -Infinity, most: Infinity }

/** The field without its bounds. */
const unbounded = (field: Field): Field =>
  field.kind === 'number'
    ? { ...field, ...anyNumber }
    : field.kind === 'rows'
      ? { ...field, columns: field.columns.map((each) => (each.kind === 'number' ? { ...each, ...anyNumber } : each)) }
      : field

/** What follows for a step; null where its operation has no planner. */
export function reportFor(context: Context, filled = filledFor(context)): Report | null {
  return plannerFor(context.step)?.report(context, filled) ?? null
}

/** What an operation works out beside its figures, as plain tables; empty for most. */
export function tablesFor(context: Context, filled: Filled): Record<string, unknown> {
  return plannerFor(context.step)?.tables(context, filled) ?? {}
}

/** What each group takes from the stores for a step besides its lines: as its operation always does, and as its figures say. */
export function takenFor(context: Context, filled = filledFor(context)): readonly Taken[] {
  return [...(operationIn(context.step)?.takes ?? []), ...(plannerFor(context.step)?.takes(context, filled) ?? [])]
}

/** Fields of a planner as they are here: what the laboratory has comes first among what may be chosen. */
export function fieldsHere(planner: Planner, lab: Lab): readonly Field[] {
  return planner.fields.map((field) =>
    field.kind === 'choice' && field.ofLab ? { ...field, ways: [...field.ofLab(lab), ...field.ways] } : field,
  )
}

/** Why a typed value cannot stand in a field; undefined where it can. */
export function problemIn(field: Field, value: unknown): string | undefined {
  if (field.kind === 'number') {
    if (typeof value !== 'number' || !Number.isFinite(value))
      return `${field.label} is a number${field.unit ? ` of ${field.unit}` : ''}.`
    return value < field.least || value > field.most
      ? `${field.label} lies between ${field.least} and ${field.most}${field.unit ? ` ${field.unit}` : ''}.`
      : undefined
  }
  if (field.kind === 'rows') {
    if (!Array.isArray(value)) return `${field.label} is a list.`
    for (const row of value as Record<string, unknown>[])
      for (const column of field.columns) {
        const problem = row[column.key] === undefined ? undefined : problemIn(column, row[column.key])
        if (problem) return problem
      }
    return undefined
  }
  if (typeof value !== 'string') return `${field.label} is a word.`
  return field.kind === 'choice' && !field.ofLab && !field.ways.some((way) => way.value === value)
    ? `${field.label} is one of: ${field.ways.map(({ words }) => words).join(', ')}.`
    : undefined
}
