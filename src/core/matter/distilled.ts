import { boilsTogether, isVolatile, layerOf, vapourOver, type BoilingLayer } from './boiling'
import { volumeOf } from './phase'
import { settle } from './settle'
import { together, vesselNamed, withVessel, type Bench, type Holding, type Phase, type Vessel } from './state'
import type { Thing } from './thing'
import { atRest, freshName } from './verbs'
import type { World } from './world'

export interface Distilling {
  pot: string
  receiver: string
  /** Where what comes before the window goes. */
  forerun: string
  lowC: number | undefined
  highC: number | undefined
  /** Millilitres that are left in the pot; a tenth of what was in it where nobody has said it, so that it never runs dry. */
  stopML: number | undefined
  stages: number
  holdUpML: number
}

/** Steps in which a still is followed: coarse, for the planner has the fine curve. */
const coarse = 25
/** A pot that nobody has set an end for keeps so much of what was in it. */
const keepsBack = { low: 0.05, likely: 0.1, high: 0.2 } as const

/** Composition over a column at total reflux: each stage boils what the one below gave off. */
function overColumn(
  layers: readonly BoilingLayer[],
  mmHg: number,
  stages: number,
  nearC: number | undefined,
): { atC: number; potC: number; y: Map<Thing, number> } {
  const potC = boilsTogether(layers, mmHg, nearC)
  let vapour = vapourOver(layers, potC)
  let atC = potC
  for (let stage = 0; stage < Math.min(stages, 10); stage++) {
    const sum = vapour.reduce((all, each) => all + each.mmHg, 0)
    const all = layers.flatMap(({ inside }) => inside)
    const merged = new Map<Thing, number>()
    for (const { thing, mmHg: own } of vapour) merged.set(thing, (merged.get(thing) ?? 0) + own / sum)
    const inside = [...merged.keys()].map((thing) => all.find((each) => each.thing === thing)!)
    const condensed: BoilingLayer = {
      inside,
      x: inside.map(({ thing }) => merged.get(thing)!),
      model: { kind: 'ideal' },
      free: 1,
    }
    atC = boilsTogether([condensed], mmHg, atC)
    vapour = vapourOver([condensed], atC)
  }
  const y = new Map<Thing, number>()
  const sum = vapour.reduce((all, each) => all + each.mmHg, 0)
  for (const { thing, mmHg: own } of vapour) y.set(thing, (y.get(thing) ?? 0) + own / sum)
  return { atC, potC, y }
}

const poolOf = ({ phases }: Vessel) => phases.filter(({ kind }) => kind !== 'solid')

/** Head temperature of a vapour: where it would condense, which for a single still is where its pot boils. */
const within = (atC: number, low: number | undefined, high: number | undefined) =>
  low !== undefined && atC < low ? 'before' : high !== undefined && atC > high ? 'after' : 'in'

/**
 * Distils from a pot by vapour pressure over all that is in it, in coarse steps (Rayleigh): what comes over while the head stands inside the window goes into the receiver, what comes before it into the forerun; it ends above the window, or when the pot holds no more than
 * it shall. Salts, acids of no vapour and solids stay; two liquid phases add their pressures. Null where nothing boils, or nobody knows at what.
 */
export function distilled(bench: Bench, how: Distilling, world: World): Bench | null {
  let pot = vesselNamed(bench, how.pot)
  if (!pot) return null
  const first = poolOf(pot).map(layerOf)
  if (first.some(({ unknown }) => unknown.length > 0) || first.every(({ layer }) => layer === null)) return null
  if (poolOf(pot).some(({ holds }) => holds.some(({ amount, thing }) => amount === null && isVolatile(thing)))) return null
  const startML = poolOf(pot).reduce((sum, phase) => sum + volumeOf(phase).mL, 0)
  const stopML = Math.max(how.stopML ?? startML * world.draw('left in the pot', keepsBack), how.stages > 0 ? how.holdUpML : 0)
  const receiver: Holding[][] = []
  const forerun: Holding[][] = []
  let nearC: number | undefined
  let gas = bench.air
  let range: { fromC: number; toC: number } | undefined
  for (let turn = 0; turn < 4 * coarse; turn++) {
    const pool = poolOf(pot)
    const potML = pool.reduce((sum, phase) => sum + volumeOf(phase).mL, 0)
    if (potML <= stopML + 1e-9) break
    const layers = pool.flatMap((phase) => layerOf(phase).layer ?? [])
    const moles = layers.reduce((sum, { inside }) => sum + inside.reduce((all, { mmol }) => all + mmol, 0), 0)
    if (layers.length === 0 || moles < 1e-9) break
    const { atC, potC, y } = overColumn(layers, world.mmHg, how.stages, nearC)
    nearC = potC
    const where = within(atC, how.lowC, how.highC)
    if (where === 'after') break
    // No more than is there, and not past where the pot shall stop.
    const perMmol = [...y].reduce(
      (sum, [thing, share]) => sum + share * (thing.gPer / (thing.substance.density?.gPerML ?? 0.9)),
      0,
    )
    let mmol = Math.min(startML / coarse / perMmol, (potML - stopML) / perMmol)
    for (const [thing, share] of y) mmol = Math.min(mmol, amountOf(pool, thing) / share)
    if (mmol <= 1e-9) break
    const { taken, left } = takenOff(pot, y, mmol)
    ;(where === 'in' ? receiver : forerun).push(taken)
    if (where === 'in') range = { fromC: range?.fromC ?? atC, toC: atC }
    pot = left
    // What two layers hold changes as one of them goes; a single one needs no new rest.
    if (pool.length > 1 && turn % 5 === 4) {
      const rested = settle(pot, { ...world, note: () => undefined })
      pot = rested.vessel
      gas = together(gas, rested.gas)
    }
  }
  if (receiver.length === 0 && forerun.length === 0) return null
  const over = (parts: readonly Holding[][]): Phase[] =>
    parts.length === 0 ? [] : [{ kind: 'organic', holds: together(...parts) }]
  let now: Bench = withVessel({ ...bench, air: gas }, { ...pot, kept: 'residue' })
  const names: string[] = []
  for (const [name, parts] of [
    [how.forerun, forerun],
    [how.receiver, receiver],
  ] as const) {
    if (parts.length === 0) continue
    const fresh = freshName(now, name)
    names.push(fresh)
    now = withVessel(now, { name: fresh, kept: 'distillate', phases: over(parts), atC: 20 })
    now = atRest(now, fresh, world)
  }
  now = atRest(now, how.pot, world)
  if (range) world.note({ kind: 'distils', vessel: how.pot, into: names.at(-1)!, ...range })
  return receiver.length === 0 ? now : { ...now, at: names.at(-1)!, still: how.pot, receivers: [...now.receivers, names.at(-1)!] }
}

const amountOf = (phases: readonly Phase[], thing: Thing) =>
  phases.reduce(
    (sum, { holds }) =>
      sum + holds.reduce((all, each) => all + (each.thing === thing && each.certain ? (each.amount ?? 0) : 0), 0),
    0,
  )

/** Takes mmol of vapour of a composition out of the liquids of a pot. */
function takenOff(pot: Vessel, y: ReadonlyMap<Thing, number>, mmol: number): { taken: Holding[]; left: Vessel } {
  const taken: Holding[] = []
  let phases = [...pot.phases]
  for (const [thing, share] of y) {
    const all = amountOf(poolOf(pot), thing)
    const part = all > 0 ? Math.min(1, (share * mmol) / all) : 0
    phases = phases.map((phase) =>
      phase.kind === 'solid'
        ? phase
        : {
            ...phase,
            holds: phase.holds.flatMap((each) => {
              if (each.thing !== thing || each.amount === null || !each.certain) return [each]
              taken.push({ ...each, amount: each.amount * part })
              return part === 1 ? [] : [{ ...each, amount: each.amount * (1 - part) }]
            }),
          },
    )
  }
  return { taken, left: { ...pot, phases: phases.filter(({ holds }) => holds.length > 0) } }
}
