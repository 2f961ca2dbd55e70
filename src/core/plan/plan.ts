import type { Quantity } from '../quantity/unit'
import type { Substance, WasteStream } from '../substance/substance'
import type { StepFact } from './stepFacts'

/**
 * A plan: one preparation as a document. Its JSON form is the plan file (docs/formats), the same bytes that the
 * database keeps, that import and export use and that `mozle calc` reads.
 */
export interface Plan {
  format: 'mozle-plan'
  version: 3
  title: string
  /** One sentence: what is made, and what the preparation teaches. */
  aim: string
  substances: Substance[]
  lines: Line[]
  /** The line that ratios count from. */
  reference: string
  /** The product line whose yield is reported, and what a careful group gets of it as fractions of the theoretical yield; absent where nothing is made, and while nobody has said it. */
  mainProduct?: string
  expectedYield?: Span
  /** What is got back of what was put in, where a preparation isolates or separates; the first stands at the head of a result. */
  recoveries?: Recovery[]
  /** Where the reaction stops at an equilibrium: its constant in moles, K = [C][D]/([A][B]). */
  equilibrium?: { constant: number; source: string }
  /** What stands above and below the arrow of the scheme. */
  conditions: { above: string; below: string }
  safety: { wear: string[]; atHand: string[]; ownWords: string }
  steps: Step[]
  /** Queries that the author has answered; the reason stays on the plan. */
  answers: { query: string; reason: string }[]
}

/** A range of fractions, 0 to 1. */
export interface Span {
  low: number
  high: number
}

/** Percent recovery is the mass of `sample` over the mass of the line `of` that was put in. */
export interface Recovery {
  /** Name of the sample that is weighed. */
  sample: string
  /** The line whose substance the sample is. */
  product: string
  of: string
  /** Absent while nobody has said it. */
  expected?: Span
}

export const roles = [
  'reactant',
  'reagent',
  'catalyst',
  'solvent',
  'work-up',
  'product',
  'by-product',
  /** What is put in to be separated. */
  'material',
  /** What a material holds: not charged on its own. */
  'component',
] as const

export type Role = (typeof roles)[number]

/** What is in the bottle. */
export type Form =
  /** `water` counts the molecules of water of crystallisation that the bottle holds beyond the substance's own formula. */
  | { kind: 'solid'; purity: number; water?: number }
  | { kind: 'neat'; purity: number }
  /** A strength that is absent is not known yet: then neither is the amount. */
  | { kind: 'solution'; molPerL?: number; gPerML?: number }
  | { kind: 'mass-volume'; gPer100ML?: number; gPerML?: number }
  | { kind: 'mass-fraction'; fraction?: number; gPerML?: number; source: string }

/** The figure that was typed for a line; all its other figures follow from it. */
export type Anchor =
  | { of: 'mass' | 'volume' | 'amount'; quantity: Quantity }
  | { of: 'ratio'; ratio: number; decimals: number }
  /** Moles per hundred moles of the reference. */
  | { of: 'mol-percent'; percent: number; decimals: number }
  /** Millilitres per gram of the limiting reagent; per gram of the reference where nothing limits. */
  | { of: 'per-gram'; mLPerG: number; decimals: number }
  /** A part of the mass of another line: what a mixture holds. */
  | { of: 'share'; line: string; percent: number; decimals: number }

export interface Line {
  id: string
  /** Id of a substance of this plan. */
  substance: string
  role: Role
  /** Stoichiometric number in the equation; null for what does not stand in it. */
  coefficient: number | null
  form: Form
  /** Null for products: their amount follows from the extent. */
  anchor: Anchor | null
  /** Id of the device it is measured with. */
  device?: string
  /** True where the amount does not change with the scale. */
  fixed?: boolean
  note?: string
  /** Title of the preparation of the same course whose product this is. */
  madeIn?: string
}

/** How a mass may be taken: taring the container, or container with contents minus container. */
export type WeighingMethod = 'tare' | 'difference'

/** What is typed into the planner of an operation: figures, choices and rows of them, each by its field (core/operations). */
export interface Work {
  of: string
  [field: string]: WorkValue
}

export type WorkValue = string | number | WorkRow[]
export type WorkRow = Record<string, string | number>

/** What the work goes on in. */
export interface Vessel {
  kind: 'round-bottom' | 'separating funnel' | 'conical' | 'vial'
  sizeML: number
}

interface StepBase {
  id: string
  /** A few words for the thread of steps. */
  title: string
  /** What to do. `{line}` stands for our amount of that line with its name, `{line 8 %}` for that part of it. */
  text: string
  handsOnMin: number
  waitMin: number
  /** How one knows that it is over. */
  until?: string
  /** The danger of this operation that matters now. */
  caution?: string
  /** A demonstrator signs its last reading. */
  witness?: boolean
  /** The vessel that the work goes on in from here, where it is another one. */
  vessel?: Vessel
  /** What was typed into the planner of its operation; the rest follows from the plan. */
  work?: Work
  /** What the step makes sure of, or what happens in it. */
  says?: StepFact[]
  /** The waste containers that something goes into here. */
  waste?: WasteStream[]
  /** Names of the fields above, and of blanks of the planner, that nobody typed: they were read from the words of an older version of the file. */
  read?: string[]
}

/** One step of the procedure; the kind decides which readings are due and when the step is over. */
export type Step =
  | (StepBase & { kind: 'safety' })
  | (StepBase & { kind: 'assemble'; checks: string[] })
  | (StepBase & {
      kind: 'charge'
      line: string
      measure: 'mass' | 'volume'
      weighing?: WeighingMethod[]
      container: string
      device: string
      /** The part of the line that goes in here, above 0 and below 1; absent for all of it. */
      portion?: number
    })
  | (StepBase & { kind: 'reflux'; holdMin: number })
  | (StepBase & { kind: 'hold'; operation?: string; verb: string; holdMin: number })
  /** Ticked off; `verb` is what its button says. A step without an operation is work of the author's own. */
  | (StepBase & { kind: 'act'; operation?: string; verb: string })
  /** A safe place to stop; `meanwhile` says what becomes of the material until the work goes on, `endsDay` that it goes on another day. */
  | (StepBase & { kind: 'pause'; meanwhile: string; endsDay: boolean })
  | (StepBase & { kind: 'weigh'; sample: string; container: string; device: string; dry: boolean })
  | (StepBase & { kind: 'crystallise'; from: string; to: string; solvent: string; device: string })
  | (StepBase & { kind: 'dry'; sample: string; container: string; device: string; agreement: number })
  | (StepBase & { kind: 'melt'; sample: string; device: string })

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

/** True for lines on the right of the arrow. */
export function isProduct(line: Line): boolean {
  return line.role === 'product' || line.role === 'by-product'
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

/** The substance that a sample is made of: that of its recovery, else the main product's. */
export function substanceOfSample(plan: Plan, sample: string): Substance | undefined {
  const recovery = plan.recoveries?.find((each) => each.sample === sample)
  return recovery ? substanceOf(plan, lineOf(plan, recovery.product)) : mainSubstance(plan)
}

/** Density in g/mL of what is dispensed, where it is known. */
export function densityOf(plan: Plan, line: Line): { gPerML: number; source: string; atC?: number } | undefined {
  const { form } = line
  if (form.kind === 'mass-fraction') return form.gPerML === undefined ? undefined : { gPerML: form.gPerML, source: form.source }
  if (form.kind === 'solution' || form.kind === 'mass-volume')
    return form.gPerML === undefined ? undefined : { gPerML: form.gPerML, source: 'label of the bottle' }
  return substanceOf(plan, line).density
}

/** What the line is measured by at the bench: liquids and solutions by volume, solids by mass. */
export function dispensedAs(line: Line): 'mass' | 'volume' {
  if (line.anchor?.of === 'mass' || line.anchor?.of === 'volume') return line.anchor.of
  return line.form.kind === 'solid' ? 'mass' : 'volume'
}
