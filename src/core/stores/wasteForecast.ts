import type { Lab } from '../lab/lab'
import { scalePlan } from '../edit/scalePlan'
import { classesIn } from '../matter/reactions/classesIn'
import { rows } from '../matter/reactions/row'
import { holdingsIn } from '../matter/state'
import { acidIn, baseIn } from '../operations/vessel/acidIn'
import { amountsIn, substancesIn, wasteIn } from '../operations/vessel/wasteIn'
import type { Plan } from '../plan/plan'
import { reactionTable, type Charge } from '../reaction/reactionTable'
import type { ClassInVessel } from '../reaction/reactiveClasses'
import type { WasteStream } from '../substance/lists'

/** One waste container of a session: what comes into it from all groups. */
export interface WasteForecast {
  stream: WasteStream
  /** Liquids, mL. */
  liquidML: number
  solidG: number
  /** True where nobody can say how much of something comes in: it is so much at the least. */
  least: boolean
  /** What is in it, by name. */
  holds: string[]
  /** Steps of the plan that put something in. */
  steps: string[]
  /** Acid and base that are in it, mmol of protons given and taken up, and what meets the rest; null where it is neither, and where nobody can say. */
  neutralise: Neutralise | null
  /** What is destroyed in a step of its own before anything goes in, mmol; null for other streams, and where an amount is not known. */
  quenchMmol: number | null
  /** What must not come into it: what reacts with what is in it, and what happens. */
  never: { what: ClassInVessel; happens: string }[]
}

export interface Neutralise {
  left: 'acid' | 'base'
  mmol: number
  /** Grams of sodium bicarbonate for acid; null for base, where nothing usual is so safe that it needs no thought. */
  bicarbonateG: number | null
}

/** A group whose waste is counted: at which scale, and what it really charged where that is known. */
export interface WasteOf {
  scale: number
  charged?: Readonly<Record<string, Charge>>
  /** Steps that it has done; all of them where nothing is said. */
  done?: ReadonlySet<string>
}

/** What one group, or several together, put into the containers. */
export interface Wastes {
  containers: Map<WasteStream, Filled>
  /** What is left standing and goes nowhere, by name. */
  unplaced: ReadonlySet<string>
}

interface Filled extends Omit<WasteForecast, 'neutralise' | 'never'> {
  acid: number | null
  base: number | null
  classes: Set<ClassInVessel>
}

const bicarbonateGPerMmol = 84.007 / 1000
const quenched: WasteStream = 'quenched first, by itself'

const plus = (one: number | null, other: number | null) => (one === null || other === null ? null : one + other)

/** What a group puts into each waste container, as the walk through its plan, or through what it charged, has it when its steps put it away. */
export function wasteOf(plan: Plan, { scale, charged, done }: WasteOf, lab: Lab): Wastes {
  const scaled = scalePlan(plan, scale)
  const { put, left } = wasteIn(scaled, reactionTable(scaled, charged), lab)
  // What a step names is there, even where nothing is left to come into it.
  const containers = new Map(
    plan.steps.flatMap(({ waste }) => waste ?? []).map(({ into }): [WasteStream, Filled] => [into, emptyOf(into)]),
  )
  for (const { into, step, vessel } of put) {
    const one = containers.get(into)!
    if (!one.steps.includes(step)) one.steps.push(step)
    if (done !== undefined && !done.has(step)) continue
    const { liquidML, solidG, least } = amountsIn([vessel])
    one.least ||= least
    one.liquidML += liquidML
    one.solidG += solidG
    one.acid = plus(one.acid, acidIn(vessel))
    one.base = plus(one.base, baseIn(vessel))
    for (const each of classesIn(vessel).keys()) one.classes.add(each)
    for (const { substance } of substancesIn(scaled, [vessel]))
      if (!one.holds.includes(substance.name)) one.holds.push(substance.name)
    if (into === quenched)
      one.quenchMmol = holdingsIn(vessel)
        .filter(({ thing }) => thing.substance.waste === quenched)
        .reduce((sum, { amount }) => plus(sum, amount), one.quenchMmol)
  }
  return { containers, unplaced: new Set(substancesIn(scaled, left).map(({ substance }) => substance.name)) }
}

const emptyOf = (stream: WasteStream): Filled => ({
  ...{ stream, liquidML: 0, solidG: 0, least: false, holds: [], steps: [], quenchMmol: stream === quenched ? 0 : null },
  ...{ acid: 0, base: 0, classes: new Set() },
})

/** What comes into each waste container of a session from its groups, and by name what goes into none. */
export function wasteForecast(groups: readonly Wastes[]): { containers: WasteForecast[]; unplaced: string[] } {
  const all = new Map<WasteStream, Filled>()
  for (const { containers } of groups)
    for (const [stream, one] of containers) {
      const sum = all.get(stream) ?? { ...emptyOf(stream), steps: one.steps }
      all.set(stream, {
        ...sum,
        liquidML: sum.liquidML + one.liquidML,
        solidG: sum.solidG + one.solidG,
        least: sum.least || one.least,
        acid: plus(sum.acid, one.acid),
        base: plus(sum.base, one.base),
        quenchMmol: plus(sum.quenchMmol, one.quenchMmol),
        holds: [...new Set([...sum.holds, ...one.holds])],
        classes: new Set([...sum.classes, ...one.classes]),
      })
    }
  const containers = [...all.values()].map(({ acid, base, classes, ...one }) => ({
    ...one,
    neutralise: one.stream === 'aqueous acid or base' && acid !== null && base !== null ? neutraliseOf(acid - base) : null,
    never: neverWith(classes),
  }))
  return { containers, unplaced: [...new Set(groups.flatMap(({ unplaced }) => [...unplaced]))] }
}

/** Below this there is nothing worth neutralising, mmol. */
const worthMmol = 0.5

function neutraliseOf(mmol: number): Neutralise | null {
  if (Math.abs(mmol) < worthMmol) return null
  return mmol > 0
    ? { left: 'acid', mmol, bicarbonateG: mmol * bicarbonateGPerMmol }
    : { left: 'base', mmol: -mmol, bicarbonateG: null }
}

/** What the table of reactions knows to harm with what is there, each once; what happens every day is left out. */
function neverWith(classes: ReadonlySet<ClassInVessel>): WasteForecast['never'] {
  const found = new Map<ClassInVessel, string>()
  for (const { one, other, with: third, grade, happens } of rows) {
    if (grade === 'ordinary' || grade === 'heed' || happens === undefined || (third !== undefined && !classes.has(third)))
      continue
    for (const [here, what] of [
      [one, other],
      [other, one],
    ] as const)
      if (classes.has(here) && !classes.has(what) && !found.has(what)) found.set(what, happens)
  }
  return [...found].map(([what, happens]) => ({ what, happens }))
}

/** A container is full at nine tenths: what is in it may warm up. */
export const fullestShare = 0.9
/** At three quarters somebody is called. */
export const callShare = 0.75

/** How many containers of a size hold so many litres, none fuller than nine tenths; at least one. */
export const containersFor = (litres: number, sizeL: number): number =>
  Math.max(1, Math.ceil(litres / (fullestShare * sizeL) - 1e-9))
