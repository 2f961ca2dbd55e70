import type { Reading } from '../quantity/readQuantity'
import { partsUsed } from './partsUsed'
import { isProduct, substanceOf, type Form, type Line, type Plan, type Span, type Step } from './plan'
import type { Role } from './lists'
import { type Substance } from '../substance/substance'

/** An id that begins with a letter and that nothing else of the plan has. */
export function freeId(wanted: string, taken: readonly string[]): string {
  const plain = wanted
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
  const base = /^[a-z]/.test(plain) ? plain : `n-${plain}`
  const all = new Set(taken)
  if (!all.has(base)) return base
  for (let number = 2; ; number++) if (!all.has(`${base}-${number}`)) return `${base}-${number}`
}

/** How a substance usually comes out of its bottle: a solid by mass, a liquid with a density by volume. */
export function usualForm({ density, melting, boiling }: Substance): Form {
  const liquid = density !== undefined && (melting ? melting.lowC < 25 : boiling !== undefined)
  return { kind: liquid ? 'neat' : 'solid', purity: 1 }
}

/** Whether a line of that role stands in the equation. */
const inEquation = (role: Role) => role === 'reactant' || role === 'product' || role === 'by-product' || role === 'intermediate'

/**
 * The plan with a line for the substance. Lines stand in the order of the work: what goes in, then what comes out.
 * None has an amount or a ratio until somebody gives it one.
 */
export function addLine(plan: Plan, substance: Substance, role: Role): Plan {
  const known = plan.substances.find(
    ({ id, smiles }) => id === substance.id || (smiles !== undefined && smiles === substance.smiles),
  )
  const own = known ?? {
    ...substance,
    id: freeId(
      substance.id,
      plan.substances.map(({ id }) => id),
    ),
  }
  const line: Line = {
    id: freeId(
      own.id,
      plan.lines.map(({ id }) => id),
    ),
    substance: own.id,
    role,
    coefficient: inEquation(role) ? 1 : null,
    form: usualForm(own),
    anchor: null,
  }
  const at = isProduct(line) ? plan.lines.length : plan.lines.findLastIndex((other) => !isProduct(other)) + 1
  return {
    ...plan,
    substances: known ? plan.substances : [...plan.substances, own],
    lines: [...plan.lines.slice(0, at), line, ...plan.lines.slice(at)],
  }
}

/** Steps that name the line, in their fields or in their words. */
export function stepsThatUse(plan: Plan, line: string): Step[] {
  return plan.steps.filter((step) => partsUsed(step).some((used) => used.line === line))
}

/** The plan without a line; refused while ratios count from it, it is the main product, or a step uses it. */
export function removeLine(plan: Plan, id: string): Reading<Plan> {
  const line = plan.lines.find((candidate) => candidate.id === id)
  if (!line) return { ok: false, problem: 'This line is no longer in the table.' }
  const { name } = substanceOf(plan, line)
  if (plan.reference === id)
    return { ok: false, problem: `Ratios count from ${name}. Let them count from another line first, then remove it.` }
  if (plan.recoveries?.some(({ product, of }) => product === id || of === id))
    return { ok: false, problem: `A recovery is counted for ${name}. Change what is recovered first.` }
  const made = plan.samples?.find((each) => each.line === id)
  if (made) return { ok: false, problem: `The sample ${made.name} is made of ${name}. Say first what else it is made of.` }
  if (plan.lines.some(({ anchor }) => anchor?.of === 'share' && anchor.line === id))
    return { ok: false, problem: `Another line is a share of ${name}. Remove that line first.` }
  if (plan.mainProduct === id) return { ok: false, problem: `${name} is the main product: the yield is counted for it.` }
  const using = stepsThatUse(plan, id)
  if (using.length > 0)
    return { ok: false, problem: `The step “${using[0]!.title}” uses ${name}. Change or remove that step first.` }
  const lines = plan.lines.filter((other) => other.id !== id)
  return {
    ok: true,
    value: { ...plan, lines, substances: plan.substances.filter((own) => lines.some(({ substance }) => substance === own.id)) },
  }
}

function moved<T extends { id: string }>(list: readonly T[], id: string, to: number): T[] {
  const from = list.findIndex((item) => item.id === id)
  const rest = list.filter((item) => item.id !== id)
  const at = Math.max(0, Math.min(rest.length, to))
  return from < 0 ? [...list] : [...rest.slice(0, at), list[from]!, ...rest.slice(at)]
}

/** The plan with the line at another place in the table, counted from 0. */
export function moveLine(plan: Plan, id: string, to: number): Plan {
  return { ...plan, lines: moved(plan.lines, id, to) }
}

/** What can be said about a line beside its figures. */
export type LinePart = Partial<Pick<Line, 'role' | 'form' | 'device' | 'fixed' | 'note' | 'madeIn'>>

/** What can be said about a substance of a plan: everything but what identifies it. */
export type SubstancePart = Partial<
  Pick<Substance, 'systematicName' | 'density' | 'melting' | 'boiling' | 'hazards' | 'waste' | 'classes' | 'caution'>
>

/** The plan with some values of a substance written down, in its own copy; a value given as undefined is taken out. */
export function changeSubstance(
  plan: Plan,
  id: string,
  part: { [K in keyof SubstancePart]: SubstancePart[K] | undefined },
): Plan {
  return {
    ...plan,
    substances: plan.substances.map((substance) => {
      if (substance.id !== id) return substance
      const entries = Object.entries({ ...substance, ...part }).filter(([, value]) => value !== undefined)
      return Object.fromEntries(entries) as unknown as Substance
    }),
  }
}

/**
 * The plan with another role, bottle, device or note of a line. A role outside the equation has no coefficient; a product has no anchor of its own.
 * Refused where the reference would leave the reactants or the main product the products.
 */
export function changeLine(plan: Plan, id: string, part: LinePart): Reading<Plan> {
  const line = plan.lines.find((candidate) => candidate.id === id)
  if (!line) return { ok: false, problem: 'This line is no longer in the table.' }
  const next: Line = { ...line, ...part }
  if (part.role && part.role !== line.role) {
    if (plan.reference === id && part.role !== 'reactant')
      return {
        ok: false,
        problem: 'Ratios count from this line, so it stays a reactant. Let them count from another line first.',
      }
    if (plan.mainProduct === id && part.role !== 'product')
      return { ok: false, problem: 'The yield is counted for this line, so it stays the product.' }
    next.coefficient = inEquation(part.role) ? (line.coefficient ?? 1) : null
    if (isProduct(next)) next.anchor = null
  }
  if (next.anchor?.of === 'mass' && isSolutionWithoutDensity(next.form)) next.anchor = null
  if (next.anchor?.of === 'share' && next.role !== 'component') next.anchor = null
  for (const key of ['note', 'device', 'fixed', 'madeIn'] as const) if (!next[key]) delete next[key]
  return { ok: true, value: { ...plan, lines: plan.lines.map((other) => (other.id === id ? next : other)) } }
}

/**
 * The plan with the recovery of a line counted by that sample, within what is expected, or not counted at all for an empty name.
 * It counts from the line itself where its amount is known, else from the material that the plan starts from.
 * Refused where the name is no name of a sample.
 */
export function changeRecovery(plan: Plan, line: Line, sample: string, expected?: Span): Reading<Plan> {
  const others = (plan.recoveries ?? []).filter(({ product }) => product !== line.id)
  if (sample === '') {
    const { recoveries: _all, ...rest } = plan
    return { ok: true, value: others.length > 0 ? { ...plan, recoveries: others } : rest }
  }
  if (!/^[a-z][a-z0-9-]*$/.test(sample))
    return { ok: false, problem: 'A sample is named in small letters, such as purified or light-fraction.' }
  if (others.some((other) => other.sample === sample))
    return { ok: false, problem: `The sample ${sample} is counted for another substance already.` }
  const recovery = { sample, product: line.id, of: line.anchor ? line.id : plan.reference, ...(expected ? { expected } : {}) }
  const at = (plan.recoveries ?? []).findIndex(({ product }) => product === line.id)
  const recoveries = at < 0 ? [...others, recovery] : plan.recoveries!.map((old, index) => (index === at ? recovery : old))
  return { ok: true, value: { ...plan, recoveries } }
}

/** A solution of which only the volume can be measured. */
function isSolutionWithoutDensity(form: Form): boolean {
  return (form.kind === 'solution' || form.kind === 'mass-volume') && form.gPerML === undefined
}

/** The plan without a step. */
export function removeStep(plan: Plan, id: string): Plan {
  return { ...plan, steps: plan.steps.filter((step) => step.id !== id) }
}

/** The plan with the step at another place, counted from 0. */
export function moveStep(plan: Plan, id: string, to: number): Plan {
  return { ...plan, steps: moved(plan.steps, id, to) }
}

/** The span of the minutes holds what is usual: it is widened where the usual has left it. */
function withinSpan(step: Step): Step {
  if (!step.minutes) return step
  const wide = (span: { least: number; most: number } | undefined, usual: number) =>
    span && { least: Math.min(span.least, usual), most: Math.max(span.most, usual) }
  const [handsOn, wait] = [wide(step.minutes.handsOn, step.handsOnMin), wide(step.minutes.wait, step.waitMin)]
  return { ...step, minutes: { ...(handsOn ? { handsOn } : {}), ...(wait ? { wait } : {}) } }
}

/** The plan with some fields of a step changed; fields that became empty and may be absent are left out. */
export function changeStep(plan: Plan, id: string, part: Readonly<Record<string, unknown>>): Plan {
  const optional = ['until', 'caution', 'witness', 'vessel', 'portion', 'says', 'waste', 'minutes', 'station', 'safeStop']
  return {
    ...plan,
    steps: plan.steps.map((step) => {
      if (step.id !== id) return step
      const next = { ...step, ...part } as Record<string, unknown>
      for (const key of optional) if (!next[key] || (Array.isArray(next[key]) && next[key].length === 0)) delete next[key]
      return withinSpan(next as unknown as Step)
    }),
  }
}
