import { computedLine, reactionTable, wholeOf } from '../reaction/reactionTable'
import { scalePlan } from './scalePlan'
import { mainResult, mainSubstance, type Line, type Plan, type Span } from '../plan/plan'

/** One preparation of a sequence, as planned. */
export interface SequenceLink {
  title: string
  /** Name of what it makes. */
  product: string
  /** Null where nobody has said what is expected of it. */
  expected: Span | null
  /** Grams of product at the middle of the expected yield; null while the plan has no amounts. */
  makesG: number | null
  /** The line of the next preparation that takes it, and how many grams that needs; absent for the last. */
  taken?: { line: string; needsG: number | null }
}

export interface Sequence {
  /** From the first preparation to the one that is looked at. */
  links: SequenceLink[]
  /** Product of the expected yields of the links; null where that of one is not known. */
  overall: Span | null
}

/** The line of a plan that another preparation makes; the first where there are several. */
export function madeLine(plan: Plan): Line | undefined {
  return plan.lines.find(({ madeIn }) => madeIn !== undefined)
}

/**
 * The sequence that leads to a plan: the product of one preparation is the reactant of the next. Null where the plan begins from the bottle, or nothing is known of what it begins from.
 * @param earlier the plans that lead to it, the nearest first
 */
export function sequenceOf(plan: Plan, earlier: readonly Plan[]): Sequence | null {
  if (!madeLine(plan) || earlier.length === 0) return null
  const chain = [...earlier.toReversed(), plan]
  const links = chain.map((each, index): SequenceLink => {
    const [whole, result, next] = [wholeOf(each, reactionTable(each)), mainResult(each), chain[index + 1]]
    const expected = result?.expected ?? null
    const line = next && madeLine(next)
    return {
      title: each.title,
      product: mainSubstance(each)?.name ?? '',
      expected,
      makesG: whole && expected && (whole.value * (expected.low + expected.high)) / 2,
      ...(line ? { taken: { line: line.id, needsG: computedLine(reactionTable(next), line.id).mass?.value ?? null } } : {}),
    }
  })
  const known = links.flatMap(({ expected }) => expected ?? [])
  return { links, overall: known.length < links.length ? null : overallYield(known) }
}

/** Overall yield of a sequence: the product of the yields of its steps. */
export function overallYield(steps: readonly Span[]): Span {
  return steps.reduce((all, { low, high }) => ({ low: all.low * low, high: all.high * high }), { low: 1, high: 1 })
}

/** The plan scaled so that the line made before weighs so many grams; null where it has no mass yet. */
export function scaledToProduct(plan: Plan, massG: number): Plan | null {
  const line = madeLine(plan)
  const now = line && computedLine(reactionTable(plan), line.id).mass
  return now && massG > 0 ? scalePlan(plan, massG / now.value) : null
}
