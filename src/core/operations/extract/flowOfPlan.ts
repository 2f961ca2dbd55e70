import { operationIn } from '../registry'
import { mainSubstance, type Line, type Step, type WorkRow } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { partsUsed } from '../../plan/partsUsed'
import type { ReactionTable } from '../../reaction/reactionTable'
import { baseCapacityOf, givesCarbonDioxide, protonsOf } from '../../substance/acidBase'
import { stepContents, type StepContents } from '../vessel/contents'
import { bringsInto, plainWater, together, type InWater } from './waterPH'
import { typedFor } from '../../plan/typedFor'
import { layerFlow, type FlowState, type FlowStep, type Layer, type Solute } from './layerFlow'
import { partitionFromLogP, partitionFromSolubility } from '../../matter/partition'
import { saltingFactor, saturatedSodiumChloride } from '../../matter/saltingOut'
import { crudeComposition } from '../wash/impurities'
import { isWatery } from '../vessel/watery'
import { expectedProductG, liquids, organicLayer } from '../vessel/inVessel'
import { rough, type Context } from '../planner'
import type { QuenchBlanks } from '../quench/planner'
import type { ShakingBlanks } from './blanks'

/** Which layer a flow begins with, and what happened to the layers up to and with each step. */
export interface PlanFlow {
  start: Omit<Layer, 'holds'>
  solutes: Solute[]
  /** What was done with the layers, in order. */
  done: FlowStep[]
  /** After each step: the layer it shook or changed, and what stands where. */
  states: { step: string; layer: string; state: FlowState }[]
}

/** pH of a watery layer made of a line: strong acids and bases from their strength, bicarbonate 8.3, all else 7. A strength that nobody has said counts as 1 mol/L; what it takes is then not said (shortOfReagent). */
export function pHOf(line: Line, substance: Substance): number {
  const { form } = line
  const molPerL = form.kind === 'solution' ? (form.molPerL ?? 1) : form.kind === 'neat' ? 1 : 3
  if (substance.formula === 'NaHCO3') return 8.3
  if (givesCarbonDioxide(substance)) return 11
  if (baseCapacityOf(substance) > 0) return rough(Math.min(14, 14 + Math.log10(molPerL)))
  return protonsOf(substance) > 0 && !substance.groups ? rough(Math.max(-0.5, -Math.log10(molPerL))) : 7
}

/** By what the salt that the blanks put into the water raises K; 1 where they put none. */
export function saltingOf(filled: Pick<ShakingBlanks, 'salt' | 'setschenow'>): number {
  return filled.salt === 'saturated' ? saltingFactor(filled.setschenow, saturatedSodiumChloride.molPerL) : 1
}

/** The liquid that a step shakes with. */
export interface Shaken {
  line: Line
  substance: Substance
  volumeML: number
  watery: boolean
  /** mmol of the substance; null where its strength is not known. */
  mmol: number | null
}

/** What a step of extraction or washing shakes with: the liquid of which it names most; undefined where it names none. */
export function shakenWith(table: ReactionTable, step: Step): Shaken | undefined {
  return partsUsed(step)
    .flatMap(({ line: id, part }): Shaken[] => {
      const found = table.lines.find(({ line }) => line.id === id)
      if (!found?.volume || found.line.form.kind === 'solid') return []
      const mmol = found.amount ? found.amount.value * part : null
      return [
        { line: found.line, substance: found.substance, volumeML: found.volume.value * part, watery: isWatery(found), mmol },
      ]
    })
    .sort((a, b) => b.volumeML - a.volumeML)[0]
}

/** A first K for a substance: that of its solvent on record, or from its solubilities in both liquids, else from its log P, which is octanol's; null where none of them is. */
export function firstK(substance: Substance, organic: string | undefined): number | null {
  const at20 = (solvent: string | undefined) =>
    substance.solubility?.find((each) => each.solvent === solvent)?.points.find(({ atC }) => atC <= 25)
  const own = substance.partition?.find((each) => each.solvent === organic)
  if (own) return own.K
  const [o, w] = [at20(organic), at20('water')]
  if (o && w) return rough(partitionFromSolubility(o.gPer100ML, w.gPer100ML))
  return substance.logP ? rough(partitionFromLogP(substance.logP.value)) : null
}

/** A mineral acid has lost its proton at any pH of a watery layer. */
const strongPKa = -3

/** The substances to follow: the components of a material, else the product and what a crude product holds beside it; without those whose K is not on record. */
export function solutesOf({ plan, table, ...context }: Context, organic: string | undefined): WorkRow[] {
  const rowOf = (substance: Substance, mmol: number, K = firstK(substance, organic), strong?: number): WorkRow[] => {
    if (K === null) return []
    const { pKa } = substance
    // An amine's pKa is that of its conjugate acid; an acid's its own.
    const row = {
      name: substance.id,
      mmol: rough(mmol),
      K,
      ...(strong !== undefined ? { acidPKa: strong } : pKa && !pKa.ofConjugateAcid ? { acidPKa: pKa.values[0]! } : {}),
      ...(pKa?.ofConjugateAcid ? { basePKa: pKa.values[0]! } : {}),
    }
    return [row]
  }
  const components = table.lines.filter(({ line, amount }) => line.role === 'component' && amount)
  if (components.length > 0) return components.flatMap(({ substance, amount }) => rowOf(substance, amount!.value))
  const product = mainSubstance(plan)
  const molar = product && table.lines.find(({ substance }) => substance === product || substance.id === product.id)?.molarMass
  const made = product && molar ? rowOf(product, (1000 * expectedProductG({ plan, table, ...context })) / molar) : []
  const conversion = plan.expectedYield?.high ?? 1
  const beside = crudeComposition(plan, table, conversion).flatMap(({ substance: id, mmol, kind }) => {
    const substance = plan.substances.find((each) => each.id === id)
    if (!substance || substance.id === product?.id) return []
    // A mineral acid and a salt stay in the water altogether.
    return kind === 'mineral acid'
      ? rowOf(substance, mmol / Math.max(1, protonsOf(substance)), 0.001, strongPKa)
      : rowOf(substance, mmol, substance.logP ? undefined : kind === 'water-soluble' ? 0.001 : null)
  })
  return [...made, ...beside].slice(0, 6)
}

const asSolutes = (rows: readonly WorkRow[]): Solute[] =>
  rows.map(({ name, mmol, K, acidPKa, basePKa }) => ({
    id: String(name ?? ''),
    mmol: Number(mmol ?? 0),
    K: Number(K ?? 0),
    ...(typeof acidPKa === 'number' ? { acidPKa } : {}),
    ...(typeof basePKa === 'number' ? { basePKa } : {}),
  }))

/**
 * The layers of a plan from its first extraction or wash to its last, with what was typed for each step: what the funnel holds at first, then every shaking and every change of pH of a layer that was drawn off.
 */
export function flowOfPlan(context: Context): PlanFlow | null {
  const { plan, table, lab, measured } = context
  const known = followed.get(table)
  if (known && known.plan === plan && known.lab === lab && known.measured === measured) return known.flow
  const flow = follow(context)
  followed.set(table, { plan, lab, measured, flow })
  return flow
}

/** The last flow with each table: every step of a plan asks for the same. */
const followed = new WeakMap<
  ReactionTable,
  Pick<Context, 'plan' | 'lab'> & { measured: Context['measured']; flow: PlanFlow | null }
>()

function follow(context: Context): PlanFlow | null {
  const { plan, table, filledOf } = context
  const contents = stepContents(plan, table)
  const first = plan.steps.findIndex((step) => operationIn(step)?.shakes)
  if (first < 0) return null
  const firstStep = plan.steps[first]!
  const firstWith = shakenWith(table, firstStep)
  const start = startingLayer(context, contents[first]!, firstWith)
  const solutes = asSolutes((filledOf(firstStep) as ShakingBlanks).solutes)
  const states: PlanFlow['states'] = []
  const done: FlowStep[] = []
  for (const step of plan.steps.slice(first)) {
    const { shakes, meetsAcidOrBase } = operationIn(step) ?? {}
    if (!meetsAcidOrBase) continue
    // A step that shakes has the blanks of shaking, the other that meets acid or base those of quenching.
    const filled = filledOf(step) as ShakingBlanks & QuenchBlanks
    const layers = states.at(-1)?.state.layers ?? [{ ...start, holds: {} }]
    if (shakes) {
      const layer = filled.layer || layerShaken(table, step, layers, start.name)
      if (!layers.some(({ name }) => name === layer)) continue
      done.push({
        kind: 'shake',
        layer,
        portions: filled.portions,
        portionML: filled.portionML,
        pH: filled.pH,
        into: filled.into,
        salting: saltingOf(filled),
        ...waterOf(shakenWith(table, step), typedFor(step).pH !== undefined),
      })
    } else if (meetsAcidOrBase && states.length > 0) {
      // Acid or base that goes into a flask by name brings that layer to its pH.
      const flask = layers.find(({ name }) => name === filled.flask && name !== start.name)
      const goes = shakenWith(table, step)
      if (!flask || !goes) continue
      done.push({
        kind: 'bring to pH',
        layer: flask.name,
        pH: filled.toPH > 0 ? filled.toPH : pHOf(goes.line, goes.substance),
        addML: goes.volumeML,
        ...waterOf(goes, filled.toPH > 0),
      })
    } else continue
    try {
      states.push({ step: step.id, layer: done.at(-1)!.layer, state: layerFlow(start, solutes, done).at(-1)! })
    } catch {
      // A name typed for a flask that holds the other kind: the panel of that step says so, and the flow goes on without it.
      done.pop()
    }
  }
  return { start, solutes, done, states }
}

/** What a watery liquid brings into a layer, where its strength is known and nobody has typed the pH. */
function waterOf(goes: Shaken | undefined, typed: boolean): { water?: InWater } {
  if (!goes?.watery || typed) return {}
  if (goes.mmol === null) return goes.substance.formula === 'H2O' ? { water: plainWater } : {}
  return { water: bringsInto(goes.substance, goes.line, goes.mmol) }
}

/** The layer that a step shakes where none is named: of the other kind than what it adds; the one that the flow began with, else the one drawn off last. */
export function layerShaken(
  table: ReactionTable,
  step: Step,
  layers: readonly Pick<Layer, 'name' | 'kind'>[],
  start: string,
): string {
  const wanted = shakenWith(table, step)?.watery === false ? 'watery' : 'organic'
  const others = layers.filter(({ kind }) => kind === wanted)
  return (others.find(({ name }) => name === start) ?? others.at(-1))?.name ?? start
}

/** The layer that holds the product before anything is shaken: the organic one where water is shaken with it, the water where solvent is. */
function startingLayer(context: Context, now: StepContents, firstWith: Shaken | undefined): Omit<Layer, 'holds'> {
  const here = { ...context, now: { ...now, contents: now.contents.filter(({ line }) => line.id !== firstWith?.line.id) } }
  if (firstWith && !firstWith.watery) {
    const water = liquids(here.now).filter(isWatery)
    return {
      name: 'water',
      kind: 'watery',
      volumeML: Math.max(
        1,
        water.reduce((sum, { volumeML }) => sum + volumeML!, 0),
      ),
      pH: 7,
      ...(water.every(({ mmol, substance }) => mmol !== null || substance.formula === 'H2O')
        ? {
            water: water
              .map(({ substance, line, mmol }) => bringsInto(substance, line, mmol ?? 0))
              .reduce((sum, each) => together(sum, each), plainWater),
          }
        : {}),
    }
  }
  const organic = organicLayer(here)
  // What has not reacted is dissolved in it until it is washed out.
  const dissolved = liquids(here.now).filter((content) => !isWatery(content) && content.line.role === 'reactant')
  return {
    name: organic?.name ?? 'organic layer',
    kind: 'organic',
    volumeML: Math.max(
      1,
      organic ? organic.volumeML + dissolved.reduce((sum, { volumeML }) => sum + volumeML!, 0) : here.now.volumeML,
    ),
    pH: 7,
  }
}
