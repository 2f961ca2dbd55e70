import { defaultLab, type Lab } from '../lab/lab'
import { printedPlan } from '../operations/printedPlan'
import { statementCodes } from '../substance/statements'
import { printed } from '../words/words'
import { operationIn } from '../operations/registry'
import type { Plan } from '../plan/plan'
import { gases, type GasName } from '../reaction/gases'
import { reactionTable } from '../reaction/reactionTable'
import { gasesIn, isNoticed } from '../operations/vessel/gasesIn'
import type { WasteStream } from '../substance/lists'
import type { Substance } from '../substance/substance'
import { wasteWords } from '../substance/wasteWords'

export interface SafetySheet {
  /** Every substance in use that has hazards on record, the gravest first; then those without a record. */
  substances: Substance[]
  /** Substances about which the plan knows nothing: their safety data sheet is the only source. */
  unknown: Substance[]
  /** Codes such as `GHS02` that occur, in order. */
  pictograms: string[]
  /** Codes such as `H225` that occur. */
  codes: string[]
  /** What can go wrong in the operations of this plan, each once, with the steps it belongs to. */
  dangers: { words: string; steps: string[] }[]
  /** Gases that leave a vessel, by the step in which they do, with how they are led away; litres at the most, null where nobody can say. */
  gases: { gas: GasName; litres: number | null; from: string[]; step: string; lead: string }[]
  /** What goes into which waste, by stream, and what is to be heeded there. */
  waste: { stream: string; substances: string[]; heed?: string }[]
}

/** The safety sheet of a plan, drawn from its substances and its steps. It is advice: the safety data sheets and the qualified person decide. */
export function safetySheet(plan: Plan, lab: Lab = defaultLab): SafetySheet {
  const used = plan.substances.filter(({ id }) => plan.lines.some(({ substance }) => substance === id))
  const gravity = (substance: Substance) => (substance.hazards?.signal === 'danger' ? 100 : 0) + statementCodes(substance).length
  const substances = used.filter(({ hazards }) => hazards).sort((a, b) => gravity(b) - gravity(a))
  const dangers = new Map<string, string[]>()
  for (const step of printedPlan(plan, reactionTable(plan), defaultLab).steps) {
    for (const words of new Set([operationIn(step)?.danger, step.caution && printed(step.caution)]))
      if (words) dangers.set(words, [...(dangers.get(words) ?? []), printed(step.title)])
  }
  const waste = new Map<WasteStream, string[]>()
  for (const { waste: stream, name } of used) if (stream) waste.set(stream, [...(waste.get(stream) ?? []), name])
  return {
    substances,
    unknown: used.filter(({ hazards, waste: known }) => !hazards && !known),
    pictograms: [...new Set(substances.flatMap(({ hazards }) => hazards!.pictograms))].sort(),
    codes: [...new Set(substances.flatMap(statementCodes))].sort(),
    dangers: [...dangers].map(([words, steps]) => ({ words, steps })),
    gases: gasesOf(plan, lab),
    waste: [...waste].map(([stream, names]) => {
      const heed = wasteWords[stream]
      return { stream, substances: names, ...(heed ? { heed } : {}) }
    }),
  }
}

const gasesOf = (plan: Plan, lab: Lab): SafetySheet['gases'] =>
  gasesIn(plan, reactionTable(plan), lab)
    .filter(isNoticed)
    .map(({ step, gas, litres, from }) => ({
      gas,
      litres,
      from,
      step: printed(plan.steps.find(({ id }) => id === step)!.title),
      lead: gases[gas].lead,
    }))
