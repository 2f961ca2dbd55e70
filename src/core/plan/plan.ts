import type { Quantity } from '../quantity/unit'
import type { WasteStream } from '../substance/record'

/**
 * A plan: one preparation as a document. Its JSON form is the plan file (docs/formats), the same bytes that the
 * database keeps, that import and export use and that `mozle calc` reads.
 */
export interface Plan {
  format: 'mozle-plan'
  version: 1
  title: string
  /** One sentence: what is made, and what the preparation teaches. */
  aim: string
  substances: Substance[]
  lines: Line[]
  /** The line that ratios count from. */
  reference: string
  /** The product line whose yield is reported. */
  mainProduct: string
  /** What a careful group gets, as fractions of the theoretical yield. */
  expectedYield: { low: number; high: number }
  /** Where the reaction stops at an equilibrium: its constant in moles, K = [C][D]/([A][B]). */
  equilibrium?: { constant: number; source: string }
  /** What stands above and below the arrow of the scheme. */
  conditions: { above: string; below: string }
  safety: { wear: string[]; atHand: string[]; ownWords: string }
  steps: Step[]
  /** Queries that the author has answered; the reason stays on the plan. */
  answers: { query: string; reason: string }[]
}

/** A substance as this plan uses it. Values that are not known are absent. */
export interface Substance {
  id: string
  name: string
  systematicName?: string
  formula: string
  smiles?: string
  density?: { gPerML: number; atC?: number; source: string }
  melting?: { lowC: number; highC: number; source: string }
  boiling?: { lowC: number; highC: number; source: string }
  /** Grams of solute that 100 mL of the solvent hold at each temperature. */
  solubility?: { solvent: string; points: { atC: number; gPer100ML: number }[]; source: string }[]
  hazards?: { signal: 'danger' | 'warning'; pictograms: string[]; statements: string[]; source: string }
  /** Where what is left of it goes. */
  waste?: WasteStream
  /** The one thing to say at the bench. */
  caution?: string
}

export type Role = 'reactant' | 'reagent' | 'catalyst' | 'solvent' | 'work-up' | 'product' | 'by-product'

/** What is in the bottle. */
export type Form =
  | { kind: 'solid'; purity: number }
  | { kind: 'neat'; purity: number }
  | { kind: 'solution'; molPerL: number }
  | { kind: 'mass-fraction'; fraction: number; gPerML: number; source: string }

/** The figure that was typed for a line; all its other figures follow from it. */
export type Anchor = { of: 'mass' | 'volume' | 'amount'; quantity: Quantity } | { of: 'ratio'; ratio: number; decimals: number }

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
}

/** How a mass may be taken: taring the container, or container with contents minus container. */
export type WeighingMethod = 'tare' | 'difference'

/** The vessel that an assembly is built around. */
export interface Vessel {
  kind: 'round-bottom' | 'separating funnel' | 'conical' | 'vial'
  sizeML: number
}

interface StepBase {
  id: string
  /** A few words for the thread of steps. */
  title: string
  /** What to do. `{line}` stands for our amount of that line with its name. */
  text: string
  handsOnMin: number
  waitMin: number
  /** How one knows that it is over. */
  until?: string
  /** The danger of this operation that matters now. */
  caution?: string
  /** A demonstrator signs its last reading. */
  witness?: boolean
}

/** One step of the procedure; the kind decides which readings are due and when the step is over. */
export type Step =
  | (StepBase & { kind: 'safety' })
  | (StepBase & { kind: 'assemble'; checks: string[]; vessel?: Vessel })
  | (StepBase & {
      kind: 'charge'
      line: string
      measure: 'mass' | 'volume'
      weighing?: WeighingMethod[]
      container: string
      device: string
    })
  | (StepBase & { kind: 'reflux'; holdMin: number })
  | (StepBase & { kind: 'hold'; verb: string; holdMin: number })
  | (StepBase & { kind: 'act'; verb: string })
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

/** Density in g/mL of what is dispensed, where it is known. */
export function densityOf(plan: Plan, line: Line): { gPerML: number; source: string; atC?: number } | undefined {
  if (line.form.kind === 'mass-fraction') return line.form
  if (line.form.kind === 'solution') return undefined
  return substanceOf(plan, line).density
}

/** What the line is measured by at the bench: liquids and solutions by volume, solids by mass. */
export function dispensedAs(line: Line): 'mass' | 'volume' {
  if (line.anchor?.of === 'mass' || line.anchor?.of === 'volume') return line.anchor.of
  return line.form.kind === 'solid' ? 'mass' : 'volume'
}
