import type { Charged } from './charged'
import { joulesPerK } from './heatCapacity'
import { settle } from './settle'
import type { Settling } from './settling'
import {
  divided,
  holdingsIn,
  isEmpty,
  together,
  vesselAt,
  vesselNamed,
  withVessel,
  withoutVessel,
  type Bench,
  type Holding,
  type Kept,
  type Phase,
  type Vessel,
} from './state'
import type { World } from './world'

/** Puts phases beside those of a vessel, without bringing it to rest. */
const plusPhases = (vessel: Vessel, more: readonly Phase[]): Vessel => ({ ...vessel, phases: [...vessel.phases, ...more] })

const phases = ({ liquid, solid }: Charged): Phase[] => [
  ...(liquid.length > 0 ? [{ kind: 'organic' as const, holds: liquid }] : []),
  ...(solid.length > 0 ? [{ kind: 'solid' as const, holds: solid }] : []),
]

/** The temperature of bottles, °C. */
const bottlesC = 20

/** What a vessel comes to when something of the room's temperature goes in, no heat of mixing counted. */
function mixedC(vessel: Vessel, more: readonly Holding[]): number {
  if (vessel.atC === bottlesC) return bottlesC
  const there = vessel.phases.reduce((sum, { kind, holds }) => sum + joulesPerK(holds, kind), 0)
  const comes = joulesPerK(more, 'organic')
  return there + comes > 0 ? (there * vessel.atC + comes * bottlesC) / (there + comes) : bottlesC
}

/** Notes what comes onto the bench. */
export const brings = (bench: Bench, { liquid, solid }: Charged): Bench => ({
  ...bench,
  brought: together(bench.brought, liquid, solid),
})

/** Puts something into the vessel that the work goes on in, which is then at rest again; what comes off goes into the air. */
export function goesIn(bench: Bench, charged: Charged, world: World, how: Settling = {}): Bench {
  const vessel = vesselAt(bench)
  if (charged.liquid.length === 0 && charged.solid.length === 0 && !how.dissolves) return bench
  const atC = mixedC(vessel, [...charged.liquid, ...charged.solid])
  return atRest(withVessel(brings(bench, charged), { ...plusPhases(vessel, phases(charged)), atC }), vessel.name, world, how)
}

/** Vessels that are at rest, each with how it was brought there: doing it again would change nothing. */
const resting = new WeakMap<Vessel, string>()
const saidAs = ({ dissolves = false, salting = 1 }: Settling) => `${dissolves} ${salting}`

/** Brings a vessel to rest, its gas into the air. */
export function atRest(bench: Bench, name: string, world: World, how: Settling = {}): Bench {
  const vessel = vesselNamed(bench, name)
  if (!vessel || isEmpty(vessel) || resting.get(vessel) === saidAs(how)) return bench
  const { vessel: settled, gas } = settle(vessel, world, how)
  resting.set(settled, saidAs(how))
  return { ...withVessel(bench, settled), air: gas.length > 0 ? together(bench.air, gas) : bench.air }
}

/** The vessel that the work goes on in at another temperature, at rest there. */
export function atTemperature(bench: Bench, atC: number, world: World, how: Settling = {}): Bench {
  const vessel = vesselAt(bench)
  return atRest(withVessel(bench, { ...vessel, atC }), vessel.name, world, how)
}

/** A name that no vessel of the bench has. */
export function freshName(bench: Bench, wanted: string): string {
  if (!vesselNamed(bench, wanted)) return wanted
  for (let count = 2; ; count++) {
    const name = `${wanted} ${count}`
    if (!vesselNamed(bench, name)) return name
  }
}

/** The work goes on in another vessel, with what is in this one; `empty` without it. */
export function movesOn(
  bench: Bench,
  to: { name: string; kind?: Vessel['kind']; sizeML?: number },
  how: { empty?: boolean } = {},
): Bench {
  const from = vesselAt(bench)
  const name = freshName(bench, to.name)
  const next: Vessel = {
    name,
    ...(to.kind === undefined ? {} : { kind: to.kind }),
    ...(to.sizeML === undefined ? {} : { sizeML: to.sizeML }),
    phases: how.empty ? [] : from.phases,
    atC: how.empty ? 20 : from.atC,
  }
  const left = how.empty && !isEmpty(from) ? bench : withoutVessel(bench, from.name)
  const samples = how.empty
    ? left.samples
    : Object.fromEntries(Object.entries(left.samples).map(([sample, vessel]) => [sample, vessel === from.name ? name : vessel]))
  return { ...withVessel(left, next), at: name, samples }
}

/** Takes holdings out of the vessels into one of its own, beside the others; nothing where there is nothing to take. */
export function setAside(bench: Bench, name: string, aside: readonly Phase[], atC: number, kept: Kept): Bench {
  const filled = aside.filter(({ holds }) => holds.length > 0)
  if (filled.length === 0) return bench
  const there = vesselNamed(bench, name)
  const vessel: Vessel = there ? { ...there, phases: [...there.phases, ...filled] } : { name, kept, phases: filled, atC }
  return withVessel(bench, vessel)
}

/** What leaves a vessel into the air, by the part of each holding that goes. */
export function leaves(bench: Bench, name: string, goes: (holding: Holding, phase: Phase) => number): Bench {
  const vessel = vesselNamed(bench, name)
  if (!vessel) return bench
  const gone: Holding[] = []
  const left = vessel.phases.map((phase) => {
    const parted = divided(phase.holds, (holding) => goes(holding, phase))
    gone.push(...parted.gone)
    return { ...phase, holds: parted.stays }
  })
  return {
    ...withVessel(bench, { ...vessel, phases: left.filter(({ holds }) => holds.length > 0) }),
    air: together(bench.air, gone),
  }
}

/** Everything on the bench, wherever it stands: what conservation is counted over. */
export const everything = (bench: Bench): Holding[] => [
  ...bench.vessels.flatMap(holdingsIn),
  ...bench.air,
  ...Object.values(bench.waste).flat(),
  ...bench.unaccounted,
]
