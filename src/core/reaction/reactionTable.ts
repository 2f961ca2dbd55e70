import { constant, exact, over, times, written, type Figure } from '../quantity/figure'
import { deviceOf, uncertaintyOf } from '../quantity/device'
import { inBaseUnit, units } from '../quantity/unit'
import {
  densityOf,
  dispensedAs,
  isProduct,
  isReactant,
  lineOf,
  substanceOf,
  type Line,
  type Plan,
  type Substance,
} from '../plan/plan'
import { molarMass } from '../substance/molarMass'

/** One line with everything that follows from its anchor. Masses in g, volumes in mL, amounts in mmol. */
export interface ComputedLine {
  line: Line
  substance: Substance
  /** g/mol */
  molarMass: number
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
  /** ξ in mmol: the least n/ν of the reactants; null when the plan has no reactant with a coefficient. */
  extent: Figure | null
  /** Ids of every reactant that reaches the minimum. */
  limiting: string[]
}

/** What was really charged of a line: a net mass in g or a volume in mL, with its uncertainty. */
export interface Charge {
  measure: 'mass' | 'volume'
  figure: Figure
}

/** Two lines tie for the limit when they differ by less than this, relative: rounding of floats, not of balances. */
const tie = 1e-9

/**
 * Works out a plan: n = m·w/M for solids, n = V·ρ·w/M for liquids and % w/w solutions, n = V·c for solutions, n = r·n(ref) for ratios;
 * extent ξ = min n/ν over the reactants; products n = ν·ξ.
 * `charged` replaces planned figures by what was weighed or measured; ratios then count from the charged reference.
 */
export function reactionTable(plan: Plan, charged: Readonly<Record<string, Charge>> = {}): ReactionTable {
  const reference = plan.lines.find((line) => line.id === plan.reference)
  const fromAnchor = (line: Line): Basis | null => {
    const charge = charged[line.id]
    if (charge) return basis(plan, line, charge.measure, charge.figure)
    const { anchor } = line
    if (!anchor) return null
    if (anchor.of === 'ratio') {
      if (!reference || reference.id === line.id) return null
      const base = fromAnchor(reference)
      if (!base?.amount) return null
      const amount = times(written(anchor.ratio, anchor.decimals), { ...base.amount, u: 0 })
      return withDevice(line, basis(plan, line, 'amount', amount))
    }
    const { quantity } = anchor
    const value = written(quantity.value, quantity.decimals)
    return withDevice(line, basis(plan, line, anchor.of, { ...value, value: inBaseUnit(quantity) }))
  }

  const computed = plan.lines.map((line): ComputedLine => {
    const found = isProduct(line) ? null : fromAnchor(line)
    return {
      line,
      substance: substanceOf(plan, line),
      molarMass: molarMass(substanceOf(plan, line).formula),
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
  const extent = reactants.reduce<Figure | null>(
    (least, { perCoefficient }) => (!least || perCoefficient!.value < least.value ? perCoefficient : least),
    null,
  )
  if (extent) {
    for (const reactant of reactants) {
      reactant.limiting = reactant.perCoefficient!.value <= extent.value * (1 + tie)
      reactant.excess = reactant.perCoefficient!.value / extent.value - 1
    }
    for (const product of computed.filter(({ line }) => isProduct(line))) {
      const amount = times(exact(product.line.coefficient ?? 1), extent)
      product.amount = amount
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
  return { lines: computed, extent, limiting: reactants.filter(({ limiting }) => limiting).map(({ line }) => line.id) }
}

/** The computed line of that id. @throws when the table has none. */
export function computedLine(table: ReactionTable, id: string): ComputedLine {
  const found = table.lines.find(({ line }) => line.id === id)
  if (!found) throw new Error(`The table has no line “${id}”.`)
  return found
}

/** Theoretical yield of the main product in g; null while no reactant has an amount. */
export function theoreticalYield(plan: Plan, table: ReactionTable): Figure | null {
  return computedLine(table, lineOf(plan, plan.mainProduct).id).mass
}

interface Basis {
  mass: Figure | null
  volume: Figure | null
  amount: Figure | null
}

/** Mass, volume and amount of a line from one of them. */
export function basis(plan: Plan, line: Line, from: 'mass' | 'volume' | 'amount', figure: Figure): Basis {
  // Molar masses are better known than anything else here, so they do not limit the figures shown.
  const mmolPerG = exact(1000 / molarMass(substanceOf(plan, line).formula))
  const { form } = line
  if (form.kind === 'solution') {
    const strength = constant(form.molPerL)
    if (from === 'mass') return { mass: figure, volume: null, amount: null }
    return from === 'volume'
      ? { mass: null, volume: figure, amount: times(figure, strength) }
      : { mass: null, volume: over(figure, strength), amount: figure }
  }
  const record = densityOf(plan, line)
  const density = record ? constant(record.gPerML) : null
  const share = constant(form.kind === 'mass-fraction' ? form.fraction : form.purity)
  const pure = form.kind !== 'mass-fraction' && form.purity === 1 ? exact(1) : share
  const mass =
    from === 'mass' ? figure : from === 'amount' ? over(over(figure, mmolPerG), pure) : density ? times(figure, density) : null
  return {
    mass,
    volume: from === 'volume' ? figure : mass && density ? over(mass, density) : null,
    amount: from === 'amount' ? figure : mass ? times(mass, pure, mmolPerG) : null,
  }
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

/** Base-unit symbol of a column's figures. */
export const columnUnit = { mass: 'g', volume: 'mL', amount: 'mmol' } as const satisfies Record<string, keyof typeof units>
