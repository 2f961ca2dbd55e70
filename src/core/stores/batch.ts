import { makeUp, molarityOf, saturationExcess } from '../reaction/makeUp'
import type { Form } from '../plan/plan'
import { molarMass } from '../substance/molarMass'
import type { Substance } from '../substance/substance'
import { isStrongBase, protonsOf } from '../substance/acidBase'
import { twoFigures } from './settingOut'

/** How a solution is made up in this laboratory, where somebody has written it down. */
export interface Stock {
  /** What it is made from. */
  from: Form
  note?: string
  /** How long it keeps, in words and in days; days absent where nobody has said it. */
  keeps?: string
  keepsDays?: number
  /** Some stays on the bottom. */
  saturated?: boolean
  /** It is used at the strength that was found by titration. */
  standardised?: boolean
}

/** What is put together first, with the caution that goes with it. */
export type MixingOrder = 'acid into water' | 'solid into water' | 'liquid into solvent' | 'base into water'

export interface Batch {
  take: { unit: 'g' | 'mL'; value: number }
  /** mL of the whole. */
  toML: number
  /** What it is made up in: to the mark where its strength must be exact. */
  vessel: string
  order: MixingOrder
  how: string
  note?: string
  keeps?: string
}

const volumetricML = [10, 25, 50, 100, 250, 500, 1000, 2000]
const beakersML = [50, 100, 250, 400, 600, 1000, 2000, 5000, 10_000]
/** A beaker in which something is stirred is not filled further. */
const beakerShare = 0.75

/**
 * How so many mL of a solution are made: what to take by its strength (`makeUp`), in which vessel, what goes into what. A saturated one is made with a tenth more than dissolves.
 * Says why where it cannot be said.
 */
export function batchOf(
  { substance, form }: { substance: Substance; form: Form },
  wantedML: number,
  stock: Stock | undefined,
): Batch | { why: string } {
  if (!stock) return { why: 'nobody has said what it is made from' }
  if (substance.formula === undefined) return { why: 'it has no formula' }
  const gPerMol = molarMass(substance.formula)
  const molPerL = molarityOf(form, gPerMol, substance.density?.gPerML)
  if (molPerL === null) return { why: 'its strength, or the density that goes with it, is not said' }
  if (JSON.stringify(form) === JSON.stringify(stock.from)) return { why: 'it is bought as it is' }
  const toML = stock.standardised ? nextOf(volumetricML, wantedML) : twoFigures(wantedML)
  try {
    const { take, how } = makeUp({ molPerL, toML, gPerMol, neatGPerML: substance.density?.gPerML }, stock.from)
    const value = take.value * (stock.saturated ? 1 + saturationExcess : 1)
    return {
      take: { unit: take.unit, value },
      toML,
      vessel: stock.standardised ? `volumetric flask, ${toML} mL` : `beaker, ${nextOf(beakersML, toML / beakerShare)} mL`,
      order: orderOf(substance, stock.from),
      how: stock.saturated ? `${how}, and a tenth more, so that some stays on the bottom` : how,
      ...(stock.note ? { note: stock.note } : {}),
      ...(stock.keeps ? { keeps: stock.keeps } : {}),
    }
  } catch (error) {
    if (error instanceof RangeError) return { why: error.message }
    throw error
  }
}

const nextOf = (sizes: readonly number[], least: number) => sizes.find((size) => size >= least - 1e-9) ?? sizes.at(-1)!

/** By what it is: an acid that is a liquid or a stronger solution goes into the water, a solid that is a strong base in portions. */
function orderOf(substance: Substance, from: Form): MixingOrder {
  if (from.kind === 'solid') return isStrongBase(substance) ? 'base into water' : 'solid into water'
  return protonsOf(substance) > 0 ? 'acid into water' : 'liquid into solvent'
}

/** What is said beside each order. */
export const mixingWords: Readonly<Record<MixingOrder, string>> = {
  'acid into water': 'Water first, then the acid into it, slowly, stirred and cooled; never the reverse.',
  'base into water': 'Cold water first, then the solid in portions, stirred: it turns hot.',
  'solid into water': 'Dissolve the solid in two thirds of the water, then make up.',
  'liquid into solvent': 'Most of the solvent first, then the liquid into it, then make up.',
}

/** A solution that sessions need, with the day of each. */
export interface Wanted {
  session: string
  at: string
  mL: number
}

/**
 * Which sessions one batch serves: as long as it keeps, counted from the first of them. Where nobody has said how long that is, each session has its own.
 */
export function batches(wanted: readonly Wanted[], keepsDays: number | undefined): Wanted[][] {
  const made: Wanted[][] = []
  for (const each of wanted.toSorted((a, b) => a.at.localeCompare(b.at))) {
    const last = made.at(-1)
    const days = last ? (Date.parse(each.at) - Date.parse(last[0]!.at)) / 86_400_000 : 0
    if (last && keepsDays !== undefined && days <= keepsDays) last.push(each)
    else made.push([each])
  }
  return made
}

/** What is fetched from the shelf for a need: itself; or, where it is made up here, what it is made from, and how much of that. */
export interface Fetched {
  substance: Substance
  form: Form
  unit: 'g' | 'mL'
  issue: number
}

/** What a solution is made from, where it can be said how; null for what is fetched as it is. */
export function fetchedFor(need: Fetched, stock: Stock | undefined): Fetched | null {
  if (need.unit === 'g' || need.form.kind === 'solid' || need.form.kind === 'neat' || !stock) return null
  const batch = batchOf(need, need.issue, stock)
  return 'why' in batch ? null : { substance: need.substance, form: stock.from, unit: batch.take.unit, issue: batch.take.value }
}
