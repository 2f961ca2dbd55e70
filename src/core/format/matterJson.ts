import type { Lab } from '../lab/lab'
import { boilsAtIn } from '../matter/boilsAt'
import { densityOf, pHOfPhase, volumeOf } from '../matter/phase'
import type { Known } from '../matter/span'
import type { Bench, Holding, Phase, Vessel } from '../matter/state'
import type { Readings, Walk } from '../matter/walk'
import type { Thing } from '../matter/thing'
import type { MatterEvent } from '../matter/events'
import { pressureMmHg } from '../lab/lab'
import { walkOf } from '../operations/vessel/standsIn'
import type { Plan } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'

const plain = (known: Known, per: number) =>
  known === 'unknown' ? null : { low: known.low * per, likely: known.likely * per, high: known.high * per }

/** A material is said in grams. */
const unitOf = ({ atoms, gPer }: Thing) => (atoms === null ? { unit: 'g', per: gPer } : { unit: 'mmol', per: 1 })

/** What stands where before and after each step of a plan or a run, and what happens in it, as plain JSON: masses of materials in g, all else in mmol, each from the least to the most; null where nobody can say. */
export function matterOf(plan: Plan, table: ReactionTable, lab: Lab, readings?: Readings) {
  const walked = walkOf(plan, table, lab, readings)
  const mmHg = pressureMmHg(lab)
  return walked.steps.map(({ step, before, after, events }, at) => ({
    step: step.id,
    before: benchOf(walked, at, 'before', before, mmHg),
    after: benchOf(walked, at, 'after', after, mmHg),
    events: events.map(eventOf),
  }))
}

function benchOf(walked: Walk, at: number, when: 'before' | 'after', bench: Bench, mmHg: number) {
  return {
    at: bench.at,
    vessels: bench.vessels
      .filter(({ phases }) => phases.length > 0)
      .map((vessel) => vesselOf(vessel, mmHg, (holding) => walked.amount(at, when, vessel.name, holding.thing))),
    air: bench.air.map(held),
    waste: Object.fromEntries(Object.entries(bench.waste).map(([stream, holds]) => [stream, holds.map(held)])),
    unaccounted: bench.unaccounted.map(held),
  }
}

function vesselOf(vessel: Vessel, mmHg: number, amountOf: (holding: Holding) => Known) {
  const boils = boilsAtIn(vessel.phases, mmHg)
  return {
    name: vessel.name,
    ...(vessel.kept ? { kept: vessel.kept } : {}),
    ...(vessel.sizeML ? { size_mL: vessel.sizeML } : {}),
    at_C: vessel.atC,
    ...('atC' in boils ? { boils_C: boils.atC } : {}),
    phases: vessel.phases.map((phase) => phaseOf(phase, amountOf)),
  }
}

function phaseOf(phase: Phase, amountOf: (holding: Holding) => Known) {
  const { mL, least } = volumeOf(phase)
  const pH = pHOfPhase(phase)
  return {
    kind: phase.kind,
    volume_mL: mL,
    ...(least ? { atLeast: true } : {}),
    density_g_per_mL: densityOf(phase),
    ...(pH === null ? {} : { pH }),
    holds: phase.holds.map((holding) => ({ ...held(holding), inVessel: plain(amountOf(holding), unitOf(holding.thing).per) })),
  }
}

function held({ thing, amount, from, certain }: Holding) {
  const { unit, per } = unitOf(thing)
  return { what: thing.name, [unit]: amount === null ? null : amount * per, from, ...(certain ? {} : { certain }) }
}

/** An event with names in the place of what they name. */
function eventOf(event: MatterEvent): object {
  switch (event.kind) {
    case 'gas':
    case 'solid':
      return { ...event, thing: event.thing.name }
    case 'put away':
      return { kind: event.kind, into: event.into, vessel: event.vessel }
    default:
      return event
  }
}
