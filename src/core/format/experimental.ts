import { nameOfHeld } from '../substance/heldById'
import { fieldsHere, plannerFor } from '../operations/planners'
import type { Past } from '../operations/operation'
import { operationIn } from '../operations/registry'
import { ownBlank } from '../operations/own'
import { defaultLab, type Lab } from '../lab/lab'
import { partsUsed } from '../plan/partsUsed'
import { mainResult, substanceOf, type Plan, type Step } from '../plan/plan'
import { strengthText } from '../plan/lineName'
import { exact, times } from '../quantity/figure'
import { writeFigureText, writeRatio } from '../quantity/write'
import { dispensed, reactionTable, theoreticalYield, type ReactionTable } from '../reaction/reactionTable'
import { capital } from '../words/capital'

/** A substance as a paper has it the first time: strength and name, what was measured, its mass, amount and equivalents, in this order; later only how much. */
function told(plan: Plan, table: ReactionTable, { line: id, part }: { line: string; part: number }, known: Set<string>): string {
  const found = table.lines.find(({ line }) => line.id === id)
  if (!found) return ''
  const { line } = found
  const scaled = (figure: typeof found.mass) => (figure && part < 1 ? times(figure, exact(part)) : figure)
  const measured = dispensed(found)
  const inEquation = line.role === 'reactant' || line.role === 'reagent' || line.role === 'catalyst'
  const figures = [
    measured ? writeFigureText(scaled(measured.figure)!, measured.dimension) : '',
    measured?.dimension === 'volume' && inEquation && found.mass && line.form.kind === 'neat'
      ? writeFigureText(scaled(found.mass)!, 'mass')
      : '',
    inEquation && found.amount ? writeFigureText(scaled(found.amount)!, 'amount') : '',
    inEquation && part === 1 && found.ratio ? `${writeRatio(found.ratio)} equiv` : '',
  ].filter(Boolean)
  known.add(id)
  const name = [strengthText(line.form), substanceOf(plan, line).name].filter(Boolean).join(' ')
  return figures.length > 0 ? `${name} (${figures.join(', ')})` : name
}

const joined = (parts: readonly string[]) =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}`

/** What was typed into a blank, with its unit; undefined for what nobody typed. */
function typed(plan: Plan, step: Step, key: string, lab: Lab): string | undefined {
  const own = key.startsWith('@') ? ownBlank(key, step, plan) : undefined
  if (own) return own.follows ? undefined : `${own.value}${own.field.kind === 'number' ? ` ${own.field.unit}` : ''}`
  const planner = plannerFor(step)
  const field = planner && fieldsHere(planner, lab).find((each) => each.key === key)
  const value = step.work?.[key]
  // One portion is none.
  if (!field || value === undefined || typeof value === 'object' || (key === 'portions' && value === 1)) return undefined
  if (field.kind === 'choice') return field.ways.find((way) => way.value === value)?.words
  if (field.kind === 'text' && field.holds) return nameOfHeld(plan.substances, value)
  return `${value}${field.kind === 'number' && field.unit ? ` ${field.unit}` : ''}`
}

/** What is told besides what was done, with all that was typed. */
function filled(more: string, lines: readonly string[], of: (key: string) => string | undefined): string {
  const fill = (text: string) => {
    let whole = true
    const found = text.replace(/\{([@\w]+)\}/g, (_, key: string) => {
      const value = key === 'lines' ? joined(lines) : of(key)
      if (!value) whole = false
      return value ?? ''
    })
    return whole ? found : ''
  }
  return more.replace(/\[([^\]]*)\]/g, (_, part: string) => fill(part))
}

/**
 * A preparation as the experimental part of a paper tells it: what was taken, each with amount and equivalents, and what was done, in the past and in its order. Only what the plan says is told; what is
 * expected stands at the end and is called so.
 * @returns a paragraph for each day of the work
 */
export function experimental(plan: Plan, lab: Lab = defaultLab): string[] {
  const table = reactionTable(plan)
  const known = new Set<string>()
  const days: Told[][] = [[]]
  for (const step of plan.steps) {
    if (step.kind === 'pause' && step.endsDay) days.push([])
    const past = operationIn(step)?.past
    if (past === undefined) continue
    const lines = partsUsed(step).map((part) => told(plan, table, part, known))
    days.at(-1)!.push({ past, lines, more: filled(past.more ?? '', lines, (key) => typed(plan, step, key, lab)) })
  }
  const result = mainResult(plan)
  const theory = result && plan.mainProduct !== undefined ? theoreticalYield(plan, table) : null
  return days
    .map((day, index) => [
      ...sentences(day),
      ...(theory && index === days.length - 1 ? [`theoretical yield ${writeFigureText(theory, 'mass')}`] : []),
    ])
    .filter((day) => day.length > 0)
    .map((day) => day.map((each) => `${capital(each)}.`).join(' '))
}

/** What was done in a step, or in several that are told as one. */
interface Told {
  past: Past
  lines: readonly string[]
  more: string
}

const put = ({ past, more }: Told) => past.of === 'lines' && more === ''
const again = (last: Told, { past, more }: Told) =>
  past.thenAgain && past.of === last.past.of && past.did === last.past.did && more !== '' && last.more !== ''

/** Two steps as one: what goes in without more words, and what was done once more; undefined where each is told by itself. */
function asOne(last: Told, next: Told): Told | undefined {
  if (put(last) && put(next)) return { ...last, lines: [...last.lines, ...next.lines] }
  if (again(last, next)) return { ...last, more: `${last.more}, then${next.more}` }
  return undefined
}

/** Sentences as one writes them, deeds on the same thing in one: not `It was cooled. It was filtered.` but `It was cooled and filtered.` */
function sentences(day: readonly Told[]): string[] {
  const together = day
    .filter(({ past, lines }) => past.of !== 'lines' || lines.length > 0)
    .reduce<Told[]>((done, next) => {
      const last = done.at(-1)
      const one = last && asOne(last, next)
      return one ? [...done.slice(0, -1), one] : [...done, next]
    }, [])
  return together
    .reduce<Told[][]>((done, next) => {
      const last = done.at(-1)
      return last && next.past.of === 'it' && last[0]!.past.of === 'it'
        ? [...done.slice(0, -1), [...last, next]]
        : [...done, [next]]
    }, [])
    .map((chain) => {
      const { past, lines } = chain[0]!
      const what = past.of === 'lines' ? joined(lines) : past.of
      return `${what} ${past.of === 'lines' && lines.length > 1 ? 'were' : 'was'} ${joined(chain.map((each) => `${each.past.did}${each.more}`))}`
    })
}
