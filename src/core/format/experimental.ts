import { fieldsHere, plannerFor } from '../operations/planners'
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
  return `${value}${field.kind === 'number' && field.unit ? ` ${field.unit}` : ''}`
}

/** The sentence of a step in the past; empty where a paper says nothing of it. */
function sentence(past: string, lines: readonly string[], of: (key: string) => string | undefined): string {
  const fill = (text: string) => {
    let whole = true
    const filled = text.replace(/\{([@\w]+)\}/g, (_, key: string) => {
      const value = key === 'lines' ? joined(lines) : key === 'were' ? (lines.length > 1 ? 'were' : 'was') : of(key)
      if (!value) whole = false
      return value ?? ''
    })
    return whole ? filled : ''
  }
  const optional = past.replace(/\[([^\]]*)\]/g, (_, part: string) => fill(part))
  return fill(optional)
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
    days.at(-1)!.push({ past, lines, says: sentence(past, lines, (key) => typed(plan, step, key, lab)) })
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

/** What a step says, with what it says where nothing but its lines is told. */
interface Told {
  past: string
  lines: readonly string[]
  says: string
}

const bareOf = ({ past, lines }: Pick<Told, 'past' | 'lines'>) =>
  sentence(past.replace(/\[[^\]]*\]/g, ''), lines, () => undefined)
const isPut = (past: string) => past.startsWith('{lines} {were} added')

/** Sentences as one writes them: what goes in without more words in one, washes of one layer in one, and deeds on the same thing in one. */
function sentences(day: readonly Told[]): string[] {
  const together = day.reduce<Told[]>((done, next) => {
    const last = done.at(-1)
    const alike = last && isPut(last.past) && isPut(next.past) && last.says === bareOf(last) && next.says === bareOf(next)
    if (!alike) return [...done, next]
    const lines = [...last.lines, ...next.lines]
    return [...done.slice(0, -1), { past: last.past, lines, says: bareOf({ past: last.past, lines }) }]
  }, [])
  return chained(
    together
      .map(({ says }) => says)
      .filter(Boolean)
      .reduce<string[]>((done, next) => {
        const last = done.at(-1)
        const [head] = next.split(' with ')
        return last && head !== next && last.startsWith(`${head} with `)
          ? [...done.slice(0, -1), `${last}, then${next.slice(head!.length)}`]
          : [...done, next]
      }, []),
  )
}

const it = 'it was '
/** `It was cooled. It was filtered.` as `It was cooled and filtered.` */
function chained(all: readonly string[]): string[] {
  const chains = all.reduce<string[][]>((done, next) => {
    const last = done.at(-1)
    return last && next.startsWith(it) && last[0]!.startsWith(it)
      ? [...done.slice(0, -1), [...last, next.slice(it.length)]]
      : [...done, [next]]
  }, [])
  return chains.map(joined)
}
