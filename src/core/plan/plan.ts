import type { Static } from '@sinclair/typebox'
import type { Substance } from '../substance/substance'
import type { lineSchema, planSchema, stepSchema } from './planSchema'

/** A plan: one preparation as a document. The schema of its file says what each field is (planSchema.ts). */
export type Plan = Static<typeof planSchema>

/** A range of fractions, 0 to 1. */
export type Span = NonNullable<Plan['expectedYield']>

/** Percent recovery is the mass of `sample` over the mass of the line `of` that was put in. */
export type Recovery = NonNullable<Plan['recoveries']>[number]

export type Line = Static<typeof lineSchema>

/** What is in the bottle. */
export type Form = Line['form']

/** The figure that was typed for a line; all its other figures follow from it. */
export type Anchor = NonNullable<Line['anchor']>

/** One step of the procedure. */
export type Step = Static<typeof stepSchema>

/** An operation of the author's own. */
export type OwnOperation = NonNullable<Extract<Step, { kind: 'act' }>['own']>

/** What the work goes on in. */
export type Vessel = NonNullable<Step['vessel']>

/** What is typed into the planner of an operation: figures, choices and rows of them, each by its field (core/operations). */
export type Work = NonNullable<Step['work']>
export type WorkValue = Work[string]
export type WorkRow = Record<string, string | number>

/** The substance behind a line. @throws when the plan names one that it does not hold. */
export function substanceOf(plan: Plan, line: Line): Substance {
  const substance = plan.substances.find((candidate) => candidate.id === line.substance)
  if (!substance) throw new Error(`The line “${line.id}” names the substance “${line.substance}”, which the plan does not hold.`)
  return substance
}

/** The line of that id. @throws when there is none. */
export function lineOf(plan: Plan, id: string): Line {
  const line = plan.lines.find((candidate) => candidate.id === id)
  if (!line) throw new Error(`The plan has no line “${id}”.`)
  return line
}

/** True for lines on the left of the arrow with a coefficient: those that can set the limit. */
export function isReactant(line: Line): boolean {
  return line.role === 'reactant' && line.coefficient !== null
}

/** True for what forms: products, and what is used up again on the way. */
export function isProduct(line: Line): boolean {
  return line.role === 'product' || line.role === 'by-product' || line.role === 'intermediate'
}

/** True for what stands in the equation, on either side of the arrow. */
export function isInEquation(line: Line): boolean {
  return isReactant(line) || (isProduct(line) && line.role !== 'intermediate' && line.coefficient !== null)
}

/** True for lines that are weighed or measured out: not what forms, and not what is in another line. */
export function isCharged(line: Line): boolean {
  return !isProduct(line) && line.role !== 'component'
}

/** What is counted with where nobody has said what to expect: as much as theory allows. */
export const allThereIs: Span = { low: 1, high: 1 }

/** What the result of a plan is: the line of its product, and whether it is a yield or a recovery. */
export function mainResult(plan: Plan): { product: string; expected?: Span | undefined; recovery?: Recovery } | undefined {
  if (plan.mainProduct !== undefined) return { product: plan.mainProduct, expected: plan.expectedYield }
  const first = plan.recoveries?.[0]
  return first && { product: first.product, expected: first.expected, recovery: first }
}

/** The substance that the plan makes or isolates; undefined where it names none. */
export function mainSubstance(plan: Plan): Substance | undefined {
  const result = mainResult(plan)
  return result && substanceOf(plan, lineOf(plan, result.product))
}

/** The samples that a plan weighs, in the order of its steps, each once. */
export function weighedSamples(plan: Plan): string[] {
  return [...new Set(plan.steps.flatMap((step) => (step.kind === 'weigh' || step.kind === 'dry' ? [step.sample] : [])))]
}

/** Every sample that a plan knows: what it names, what its steps make, weigh or melt, each once. */
export function samplesOf(plan: Plan): string[] {
  const inSteps = plan.steps.flatMap((step): string[] => {
    if (step.kind === 'crystallise') return [step.from, step.to]
    return step.kind === 'weigh' || step.kind === 'dry' || step.kind === 'melt' ? [step.sample] : []
  })
  const named = [...(plan.samples ?? []).map(({ name }) => name), ...(plan.recoveries ?? []).map(({ sample }) => sample)]
  return [...new Set([...inSteps, ...named])]
}

/** The sample that is the product: the one that the plan names, else the last that is crystallised, else the last that is weighed. */
export function productSample(plan: Plan): string {
  const crystallised = plan.steps.flatMap((step) => (step.kind === 'crystallise' ? [step.to] : []))
  return plan.product ?? crystallised.at(-1) ?? weighedSamples(plan).at(-1) ?? 'product'
}

/** The sample that the product was made from in the last purification, or else the first of the same substance that was weighed before it. */
export function crudeSample(plan: Plan): string {
  const product = productSample(plan)
  const from = plan.steps.findLast((step) => step.kind === 'crystallise' && step.to === product)
  if (from?.kind === 'crystallise') return from.from
  const line = lineOfSample(plan, product)
  return weighedSamples(plan).find((sample) => sample !== product && lineOfSample(plan, sample) === line) ?? 'crude'
}

/** The line whose substance a sample is: as the plan says, that of its recovery, else the main product; undefined where the plan makes nothing. */
export function lineOfSample(plan: Plan, sample: string): string | undefined {
  const said = plan.samples?.find(({ name }) => name === sample)
  const recovery = plan.recoveries?.find((each) => each.sample === sample)
  return said?.line ?? recovery?.product ?? mainResult(plan)?.product
}

/** The substance that a sample is made of; undefined where nobody has said it and the plan makes nothing. */
export function substanceOfSample(plan: Plan, sample: string): Substance | undefined {
  const line = lineOfSample(plan, sample)
  return line === undefined ? undefined : substanceOf(plan, lineOf(plan, line))
}

/** Density in g/mL of what is dispensed, where it is known. */
export function densityOf(plan: Plan, line: Line): { gPerML: number; source: string; atC?: number } | undefined {
  const { form } = line
  if (form.kind === 'mass-fraction') return form.gPerML === undefined ? undefined : { gPerML: form.gPerML, source: form.source }
  if (form.kind === 'solution' || form.kind === 'mass-volume')
    return form.gPerML === undefined ? undefined : { gPerML: form.gPerML, source: 'label of the bottle' }
  // A hydrate is another solid than the salt without its water, whose density its record has.
  if (form.kind === 'solid' && form.water) return undefined
  return substanceOf(plan, line).density
}

/** What the line is measured by at the bench: liquids and solutions by volume, solids by mass. */
export function dispensedAs(line: Line): 'mass' | 'volume' {
  if (line.anchor?.of === 'mass' || line.anchor?.of === 'volume') return line.anchor.of
  return line.form.kind === 'solid' ? 'mass' : 'volume'
}
