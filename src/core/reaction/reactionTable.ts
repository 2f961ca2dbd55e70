import { constant, decimalsShown, exact, over, times, written, type Figure } from '../quantity/figure'
import { deviceOf, uncertaintyOf } from '../quantity/device'
import { inBaseUnit } from '../quantity/unit'
import {
  densityOf,
  dispensedAs,
  isCharged,
  isProduct,
  isReactant,
  mainResult,
  substanceOf,
  type Form,
  type Line,
  type Plan,
} from '../plan/plan'
import { type Substance } from '../substance/substance'
import { molarMass } from '../substance/molarMass'
import { limitOfTwo } from './limitOfTwo'

/** One line with everything that follows from its anchor. Masses in g, volumes in mL, amounts in mmol. */
export interface ComputedLine {
  line: Line
  substance: Substance
  /** g/mol; null for what has no formula. */
  molarMass: number | null
  mass: Figure | null
  volume: Figure | null
  amount: Figure | null
  /** n over n of the reference line. */
  ratio: Figure | null
  /** n/ν in mmol: the length of the mole bar; null for lines outside the equation. */
  perCoefficient: Figure | null
  limiting: boolean
  /** (n/ν)/ξ − 1; null for lines outside the equation and for products. */
  excess: number | null
}

export interface ReactionTable {
  lines: ComputedLine[]
  /** ξ in mmol: the least n/ν of the reactants; of two that were measured and are as near as they are uncertain, the mean of the smaller. Null when the plan has no reactant with a coefficient. */
  extent: Figure | null
  /** The two reactants either of which may set the limit, the smaller first, and the extent as a distribution; null where one surely does. */
  eitherLimits: { lines: readonly [string, string]; extent: Figure } | null
  /** Ids of every reactant that reaches the minimum. */
  limiting: string[]
}

/** What was really charged of a line: a net mass in g or a volume in mL, with its uncertainty. */
export interface Charge {
  measure: 'mass' | 'volume'
  figure: Figure
}

/** Two amounts are close when they differ by no more than so many of their combined standard uncertainty: k = 2. */
const closeK = 2

/** The two reactants with least to the coefficient where either may limit, and the extent as a distribution: the smaller of two uncertain amounts. */
function eitherOf(reactants: readonly ComputedLine[]): ReactionTable['eitherLimits'] {
  const [first, second] = [...reactants].sort((a, b) => a.perCoefficient!.value - b.perCoefficient!.value)
  if (!first || !second) return null
  const [least, other] = [first.perCoefficient!, second.perCoefficient!]
  const absolute = ({ value, u }: Figure) => ({ value, u: Math.abs(u * value) })
  const [one, two] = [absolute(least), absolute(other)]
  if (two.value - one.value > closeK * Math.hypot(one.u, two.u)) return null
  const limit = limitOfTwo(one, two)
  return {
    lines: [first.line.id, second.line.id],
    // What is known no better than to a third is not normal about its value, and may not fall below 0.
    extent: Math.max(least.u, other.u) < 1 / 3 ? { ...least, value: limit.value, u: limit.u / limit.value } : least,
  }
}

/** Marks the reactants that limit, with the excess of each over the least, and says the extent. */
function limitOf(
  reactants: readonly ComputedLine[],
  charged: Readonly<Record<string, Charge>>,
): Pick<ReactionTable, 'extent' | 'eitherLimits'> {
  const least = reactants.reduce<Figure | null>(
    (min, { perCoefficient }) => (!min || perCoefficient!.value < min.value ? perCoefficient : min),
    null,
  )
  if (!least) return { extent: null, eitherLimits: null }
  for (const reactant of reactants) {
    reactant.limiting = reactant.perCoefficient!.value <= least.value * (1 + tie)
    reactant.excess = reactant.perCoefficient!.value / least.value - 1
  }
  const eitherLimits = eitherOf(reactants)
  // What is planned is aimed at and scales; a bias is in what was measured.
  const measured = eitherLimits?.lines.every((id) => charged[id] !== undefined)
  return { extent: measured ? eitherLimits!.extent : least, eitherLimits }
}

/** Two lines tie for the limit when they differ by less than this, relative: rounding of floats, not of balances. */
const tie = 1e-9

/**
 * Works out a plan: n = m·w/M for solids, n = V·ρ·w/M for liquids and % w/w solutions, n = V·c for solutions, n = m(100 mL)/100·V/M for % w/v, n = r·n(ref) for ratios and mol %;
 * volumes per gram follow the mass of the limiting reagent, shares the mass of the line they are part of;
 * extent ξ = min n/ν over the reactants, where two that were measured are as close as they are uncertain the mean of the smaller; products n = ν·ξ.
 * `charged` replaces planned figures by what was weighed or measured; ratios then count from the charged reference.
 */
export function reactionTable(plan: Plan, charged: Readonly<Record<string, Charge>> = {}): ReactionTable {
  const reference = plan.lines.find((line) => line.id === plan.reference)
  const fromAnchor = (line: Line): Basis | null => {
    const charge = charged[line.id]
    if (charge) return basis(plan, line, charge.measure, charge.figure)
    const { anchor } = line
    if (!anchor) return null
    if (anchor.of === 'ratio' || anchor.of === 'mol-percent') {
      if (!reference || reference.id === line.id) return null
      const base = fromAnchor(reference)
      if (!base?.amount) return null
      const ratio =
        anchor.of === 'ratio'
          ? written(anchor.ratio, anchor.decimals)
          : over(written(anchor.percent, anchor.decimals), exact(100))
      return withDevice(line, basis(plan, line, 'amount', times(ratio, { ...base.amount, u: 0 })))
    }
    if (anchor.of === 'share') {
      const whole = plan.lines.find(({ id }) => id === anchor.line)
      const mass = whole && whole.anchor?.of !== 'share' ? fromAnchor(whole)?.mass : null
      if (!mass) return null
      return basis(plan, line, 'mass', times(over(written(anchor.percent, anchor.decimals), exact(100)), mass))
    }
    if (anchor.of === 'per-gram') {
      const mass = limitingMass()
      return mass && withDevice(line, basis(plan, line, 'volume', times(written(anchor.mLPerG, anchor.decimals), mass)))
    }
    const { quantity } = anchor
    const value = written(quantity.value, decimalsShown(quantity.value, quantity.decimals))
    return withDevice(line, basis(plan, line, anchor.of, { ...value, value: inBaseUnit(quantity) }))
  }

  /** Mass of the limiting reagent, or of the reference where nothing limits, known as planned: measuring it moves no other line. */
  const limitingMass = (): Figure | null => {
    const counted = plan.lines.flatMap((line) => {
      if (!isReactant(line) || line.anchor?.of === 'per-gram') return []
      const found = fromAnchor(line)
      return found?.amount && found.mass ? [{ mass: found.mass, per: found.amount.value / line.coefficient! }] : []
    })
    const least = counted.reduce<(typeof counted)[number] | null>((min, each) => (!min || each.per < min.per ? each : min), null)
    const mass = least?.mass ?? (reference && reference.anchor?.of !== 'per-gram' ? fromAnchor(reference)?.mass : null)
    return mass ? { ...mass, u: 0 } : null
  }

  const computed = plan.lines.map((line): ComputedLine => {
    const found = isProduct(line) ? null : fromAnchor(line)
    const { formula } = substanceOf(plan, line)
    return {
      line,
      substance: substanceOf(plan, line),
      molarMass: formula === undefined ? null : molarMass(formula),
      mass: found?.mass ?? null,
      volume: found?.volume ?? null,
      amount: found?.amount ?? null,
      ratio: null,
      perCoefficient: found?.amount && line.coefficient ? over(found.amount, exact(line.coefficient)) : null,
      limiting: false,
      excess: null,
    }
  })

  const reactants = computed.filter(({ line, perCoefficient }) => isReactant(line) && perCoefficient)
  const { extent, eitherLimits } = limitOf(reactants, charged)
  if (extent) {
    for (const product of computed.filter(({ line }) => isProduct(line))) {
      // What forms on the way does so before a later reactant may run short: it counts from what ratios count from.
      const first = product.line.role === 'intermediate' ? reactants.find(({ line }) => line.id === plan.reference) : undefined
      const amount = times(exact(product.line.coefficient ?? 1), first?.perCoefficient ?? extent)
      product.amount = amount
      if (product.molarMass === null) continue
      product.mass = over(times(amount, exact(product.molarMass)), exact(1000))
      const density = densityOf(plan, product.line)
      product.volume = density ? over(product.mass, constant(density.gPerML)) : null
      product.perCoefficient = extent
    }
  }
  const base = computed.find(({ line }) => line.id === plan.reference)?.amount
  for (const line of computed) {
    if (base && line.amount) {
      line.ratio =
        line.line.id === plan.reference
          ? exact(1)
          : line.line.anchor?.of === 'ratio' && !charged[line.line.id]
            ? written(line.line.anchor.ratio, line.line.anchor.decimals)
            : over(line.amount, base)
    }
  }
  return {
    lines: computed,
    extent,
    eitherLimits,
    limiting: reactants.filter(({ limiting }) => limiting).map(({ line }) => line.id),
  }
}

/** The computed line of that id. @throws when the table has none. */
export function computedLine(table: ReactionTable, id: string): ComputedLine {
  const found = table.lines.find(({ line }) => line.id === id)
  if (!found) throw new Error(`The table has no line “${id}”.`)
  return found
}

/** Theoretical yield of the main product in g; null while no reactant has an amount, and where nothing is made. */
export function theoreticalYield(plan: Plan, table: ReactionTable): Figure | null {
  return plan.mainProduct === undefined ? null : computedLine(table, plan.mainProduct).mass
}

/** The mass in g that a result counts from: the theoretical yield, or what was put in of the line it is recovered from. */
export function wholeOf(plan: Plan, table: ReactionTable): Figure | null {
  const result = mainResult(plan)
  if (!result) return null
  return result.recovery ? computedLine(table, result.recovery.of).mass : theoreticalYield(plan, table)
}

interface Basis {
  mass: Figure | null
  volume: Figure | null
  amount: Figure | null
}

/** Mass, volume and amount of a line from one of them. */
export function basis(plan: Plan, line: Line, from: 'mass' | 'volume' | 'amount', figure: Figure): Basis {
  const { form } = line
  const { formula } = substanceOf(plan, line)
  const record = densityOf(plan, line)
  const density = record ? constant(record.gPerML) : null
  // Molar masses are better known than anything else here, so they do not limit the figures shown.
  const mmolPerG = formula === undefined ? null : exact(1000 / (molarMass(formula) + waterIn(form)))
  if (form.kind === 'solution' || form.kind === 'mass-volume') {
    const mmolPerML =
      form.kind === 'solution'
        ? form.molPerL === undefined
          ? null
          : constant(form.molPerL)
        : mmolPerG && form.gPer100ML !== undefined
          ? times(over(constant(form.gPer100ML), exact(100)), mmolPerG)
          : null
    const volume =
      from === 'volume' ? figure : from === 'amount' ? mmolPerML && over(figure, mmolPerML) : density && over(figure, density)
    return {
      mass: from === 'mass' ? figure : volume && density ? times(volume, density) : null,
      volume,
      amount: from === 'amount' ? figure : volume && mmolPerML ? times(volume, mmolPerML) : null,
    }
  }
  const share = form.kind === 'mass-fraction' ? form.fraction : form.purity
  const pure = share === undefined ? null : form.kind !== 'mass-fraction' && share === 1 ? exact(1) : constant(share)
  const mass =
    from === 'mass'
      ? figure
      : from === 'amount'
        ? mmolPerG && pure && over(over(figure, mmolPerG), pure)
        : density
          ? times(figure, density)
          : null
  return {
    mass,
    volume: from === 'volume' ? figure : mass && density ? over(mass, density) : null,
    amount: from === 'amount' ? figure : mass && mmolPerG && pure ? times(mass, pure, mmolPerG) : null,
  }
}

const waterMass = molarMass('H2O')

/** Grams that water of crystallisation adds to a mole of the substance as it stands in the bottle. */
export function waterIn(form: Form): number {
  return form.kind === 'solid' ? (form.water ?? 0) * waterMass : 0
}

/** Adds the uncertainty of measuring the line with its device; a mass takes two readings, a volume one. */
function withDevice(line: Line, found: Basis): Basis {
  const device = deviceOf(line.device)
  const dispensed = device?.measures === 'mass' ? found.mass : device?.measures === 'volume' ? found.volume : null
  if (!device || !dispensed || dispensed.value === 0) return found
  const u = uncertaintyOf(device, device.measures === 'mass' ? 2 : 1) / dispensed.value
  const add = (figure: Figure | null) => figure && { ...figure, u: Math.hypot(figure.u, u) }
  return { mass: add(found.mass), volume: add(found.volume), amount: add(found.amount) }
}

/** Every line that is weighed or measured out. */
export function chargedLines(table: ReactionTable): ComputedLine[] {
  return table.lines.filter(({ line }) => isCharged(line))
}

/** The figure a line is measured out by, with its dimension; null when it is not known. */
export function dispensed(line: ComputedLine): { dimension: 'mass' | 'volume'; figure: Figure } | null {
  const dimension = dispensedAs(line.line)
  const figure = line[dimension]
  return figure && { dimension, figure }
}

/** True when that column of the line shows what was typed, not what follows. */
export function isTyped(line: Line, column: 'mass' | 'volume' | 'amount' | 'ratio'): boolean {
  return line.anchor?.of === column
}
