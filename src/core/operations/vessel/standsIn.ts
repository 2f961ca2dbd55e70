import type { Lab } from '../../lab/lab'
import { densityOf, mainLiquid, pHOfPhase, volumeOf } from '../../matter/phase'
import {
  isEmpty,
  massOf,
  type Bench,
  type Holding,
  type Kept,
  type Origin,
  type PhaseKind,
  type Vessel,
} from '../../matter/state'
import type { Known, Span } from '../../matter/span'
import { walk, type Readings, type Walk } from '../../matter/walk'
import type { Plan } from '../../plan/plan'
import { lineOf, substanceOf } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { printed } from '../../words/words'
import { effectOf } from '../effects'

/** Where a part of what stands in a vessel comes from. */
export type From = { of: 'line'; name: string } | { of: 'reaction' | 'reading'; step: string }

/** What of one thing stands in a phase. */
export interface Standing {
  name: string
  /** In the unit of the thing: mmol, or g of what has no formula. */
  amount: Known
  unit: 'mmol' | 'g'
  /** Grams to each of that unit. */
  gPer: number
  from: readonly From[]
  /** False where nobody has said that it is gone, nor that it is not. */
  certain: boolean
}

export interface StandingPhase {
  kind: PhaseKind
  /** The liquid that it is for the most part. */
  main: string | null
  mL: number
  /** True where the amount of something in it is unknown: it is so much at the least. */
  atLeast: boolean
  grams: number | null
  gPerML: number | null
  pH: number | null
  holds: readonly Standing[]
}

export interface StandingVessel {
  name: string
  kind: Vessel['kind']
  sizeML: number | null
  kept: Kept | null
  atC: number
  /** The work goes on in it. */
  here: boolean
  /** From the bottom up. */
  phases: readonly StandingPhase[]
}

export type When = 'before' | 'during' | 'after'

/** The walk through a plan, or a run with its own table and readings: one for whoever asks of the same. */
export function walkOf(plan: Plan, table: ReactionTable, lab: Lab, readings?: Readings): Walk {
  const known = walks.get(table)
  if (known && known.plan === plan && known.lab === lab && known.readings === readings) return known.walked
  const walked = walk({ plan, table, lab, effects: effectOf, readings })
  walks.set(table, { plan, lab, readings, walked })
  return walked
}

const walks = new WeakMap<ReactionTable, { plan: Plan; lab: Lab; readings: Readings | undefined; walked: Walk }>()

/** What stands on the bench before, while or after a step is done; the vessel that the work goes on in first. Empty where the plan has no such step. Spans take four walks more, and are worked out where they are asked for. */
export function standsIn(plan: Plan, walked: Walk, step: string, when: When, spans = true): StandingVessel[] {
  const at = walked.steps.findIndex((each) => each.step.id === step)
  const stood = walked.steps[at]
  if (!stood) return []
  const bench: Bench = stood[when]
  const standing = (vessel: Vessel): StandingVessel => ({
    name: vessel.name,
    kind: vessel.kind,
    sizeML: vessel.sizeML ?? null,
    kept: vessel.kept ?? null,
    atC: vessel.atC,
    here: vessel.name === bench.at,
    phases: phasesOf(vessel, spans ? (holding) => walked.amount(at, when, vessel.name, holding.thing) : alone, plan),
  })
  const here = bench.vessels.find(({ name }) => name === bench.at)
  const others = bench.vessels.filter((vessel) => vessel !== here && !isEmpty(vessel))
  return [...(here ? [here] : []), ...others].map(standing)
}

function phasesOf(vessel: Vessel, amountOf: (holding: Holding) => Known, plan: Plan): StandingPhase[] {
  const inOne = vessel.phases.length === 1
  return vessel.phases
    .map((phase): StandingPhase => {
      const { mL, least } = volumeOf(phase)
      return {
        kind: phase.kind,
        main: mainLiquid(phase)?.name ?? null,
        mL,
        atLeast: least,
        grams: massOf(phase.holds),
        gPerML: densityOf(phase),
        pH: pHOfPhase(phase),
        holds: phase.holds
          .map((holding) => standing(holding, inOne || only(vessel, holding) ? amountOf(holding) : alone(holding), plan))
          .sort((a, b) => gramsOf(b) - gramsOf(a)),
      }
    })
    .sort((a, b) => depth(a) - depth(b))
}

/** A span is worked out over a whole vessel: it is that of a phase where the thing stands in no other. */
const only = (vessel: Vessel, { thing }: Holding) =>
  vessel.phases.filter(({ holds }) => holds.some((each) => each.thing === thing)).length === 1
const alone = ({ amount }: Holding): Known => (amount === null ? 'unknown' : { low: amount, likely: amount, high: amount })

/** What lies lower comes first: solids, then by density; what nobody can say lies where water does. */
const depth = ({ kind, gPerML }: StandingPhase) => (kind === 'solid' ? -Infinity : -(gPerML ?? 1))

const gramsOf = ({ amount, gPer }: Standing) => (amount === 'unknown' ? Infinity : amount.likely * gPer)

const inGrams = ({ low, likely, high }: Span, gPer: number): Span => ({
  low: low * gPer,
  likely: likely * gPer,
  high: high * gPer,
})

function standing({ thing, amount, from, certain }: Holding, known: Known, plan: Plan): Standing {
  return {
    name: thing.name,
    amount: amount === null || known === 'unknown' ? 'unknown' : thing.atoms === null ? inGrams(known, thing.gPer) : known,
    unit: thing.atoms === null ? 'g' : 'mmol',
    gPer: thing.atoms === null ? 1 : thing.gPer,
    from: from.flatMap((origin) => fromOf(origin, plan)),
    certain,
  }
}

function fromOf(origin: Origin, plan: Plan): From[] {
  const [of, id] = [origin.slice(0, origin.indexOf(' ')), origin.slice(origin.indexOf(' ') + 1)]
  if (of === 'line') {
    const line = plan.lines.find((each) => each.id === id)
    return line ? [{ of: 'line', name: substanceOf(plan, lineOf(plan, line.id)).name }] : []
  }
  const step = plan.steps.find((each) => each.id === id)
  return step ? [{ of: of === 'reading' ? 'reading' : 'reaction', step: printed(step.title) }] : []
}
