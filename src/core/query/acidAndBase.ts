import { walkOf } from '../operations/vessel/standsIn'
import { acidIn } from '../operations/vessel/acidIn'
import { gasesIn, isNoticed } from '../operations/vessel/gasesIn'
import { operationIn } from '../operations/registry'
import { vesselNamed } from '../matter/state'
import { mainSubstance, type Step } from '../plan/plan'
import { writeNumber } from '../quantity/write'
import { capital } from '../words/capital'
import { baseOf } from '../operations/wash/baseOf'
import type { Query, QueryRule } from '../operations/query'

/** Washing or quenching acid with base: gas in a funnel that nobody is told to vent, and too little base for the acid that is there when the first of it goes in. */
export const acidAndBase: QueryRule = (plan, table, lab) => {
  const { steps } = walkOf(plan, table, lab)
  const at = (step: Step) => steps.find((each) => each.step.id === step.id)!
  const found: Query[] = []
  const washes = plan.steps.filter((step) => operationIn(step)?.meetsAcidOrBase)
  if (washes.length === 0) return found
  const shut = washes.filter((step) => operationIn(step)?.shakes && !step.says?.includes('vented'))
  const gases = shut.length > 0 ? gasesIn(plan, table, lab).filter(isNoticed) : []
  for (const step of shut)
    for (const { gas, litres } of gases.filter((each) => each.step === step.id)) {
      const { during } = at(step)
      const vessel = vesselNamed(during, during.at)
      found.push({
        id: `gas-${step.id}`,
        about: step.id,
        title: `${capital(gas)} in a closed funnel`,
        evidence: `${litres === null ? 'Nobody can say how much' : `Up to ${writeNumber(litres, litres < 1 ? 2 : 1)} L`} of gas at 20 °C${vessel?.sizeML ? ` in a ${vessel.sizeML} mL ${vessel.kind}` : ''}, and the step does not say to vent. Swirl it open until the gas slows, then shake and vent.`,
      })
    }
  const first = washes.find((step) => baseOf(table, step) > 0)
  if (!first) return found
  const { before } = at(first)
  const acid = acidIn(vesselNamed(before, before.at), plan.mainProduct === undefined ? undefined : mainSubstance(plan)) ?? 0
  const base = washes.reduce((sum, step) => sum + baseOf(table, step), 0)
  if (base < acid)
    found.push({
      id: `base-${first.id}`,
      about: first.id,
      title: 'Not enough base for the acid',
      evidence: `${writeNumber(acid, 0)} mmol of acid are there by then, and the base of the work-up takes ${writeNumber(base, 0)} mmol. Wash with water first, take more or stronger base, and test with paper.`,
    })
  return found
}
