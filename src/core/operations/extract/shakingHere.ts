import { operationIn } from '../registry'
import { usualSetschenow } from '../../matter/saltingOut'
import { type FlowState, type Layer } from './layerFlow'
import { flowOfPlan, pHOf, shakenWith, solutesOf, type PlanFlow } from './flowOfPlan'
import { organicLayer } from '../vessel/inVessel'
import { ofPlan, rough, unknown, usual, type Context } from '../planner'
import { type ShakingBlanks } from './blanks'

/** The flow of layers up to and with a step: what stands where now and before, and the layer that the step shakes as it was. */
export function flowHere(
  context: Context,
): { flow: PlanFlow; state: FlowState; before: FlowState | undefined; shaken: Layer } | null {
  const flow = flowOfPlan(context)
  const at = flow?.states.findIndex(({ step }) => step === context.step.id) ?? -1
  if (!flow || at < 0) return null
  const before = flow.states[at - 1]?.state
  const first: Layer = { ...flow.start, holds: Object.fromEntries(flow.solutes.map(({ id, mmol }) => [id, mmol])) }
  const shaken = (before?.layers ?? [first]).find(({ name }) => name === flow.states[at]!.layer)
  return shaken ? { flow, state: flow.states[at]!.state, before, shaken } : null
}

/** What a step of extraction or washing suggests, from the liquid that goes into it. */
export function suggestShaking(context: Context, typed: Partial<ShakingBlanks>) {
  const { plan, table, step } = context
  const goes = shakenWith(table, step)
  const portions = typed.portions ?? 1
  const earlier = plan.steps
    .slice(0, plan.steps.indexOf(step))
    .some((other) => shakenWith(table, other) && operationIn(other)?.shakes)
  const organic = organicLayer(context)
  return {
    portions: usual(1, 'all of it at once'),
    portionML: goes
      ? ofPlan(rough(goes.volumeML / portions), `volume of ${goes.substance.name} over the portions`)
      : unknown(rough(20 / portions), 'the step names nothing to shake with'),
    pH: goes?.watery
      ? ofPlan(
          pHOf(goes.line, goes.substance),
          `${goes.substance.name} as it goes in; what it comes to with what is in the layer is worked out`,
        )
      : usual(7, 'water'),
    layer: unknown('', 'the one of the other kind'),
    into: ofPlan(`${goes?.substance.name ?? 'wash'} of “${step.title}”`, 'what is shaken with, and the step'),
    wantedPercent: usual(99, 'nearly all'),
    salt: usual('none' as const, 'none stands in the step'),
    setschenow: usual(usualSetschenow, 'of most neutral substances'),
    ...(earlier ? {} : { solutes: ofPlan(solutesOf(context, organic?.solvents[0]), 'what the plan puts in and makes') }),
  }
}
