import { linesOf } from '../vessel/linesOf'
import { elementsIn, isMetal } from '../../substance/atoms'
import { isGas } from '../../matter/gas'
import { proton } from '../../matter/minerals'
import { mainLiquid } from '../../matter/phase'
import type { Origin, Vessel } from '../../matter/state'
import { isWater } from '../../matter/thing'
import { mainSubstance, substanceOf, type Plan } from '../../plan/plan'
import { kHere, madeOf } from '../extract/layersHere'
import type { Context } from '../planner'
import { type Substance } from '../../substance/substance'
import type { FunctionalGroup } from '../../substance/lists'
import { logPLimits } from '../../substance/waterLimits'
import { protonsOf } from '../../substance/acidBase'

/** How an impurity behaves towards a wash. */
export type ImpurityKind =
  'mineral acid' | 'carboxylic acid' | 'phenol' | 'amine' | 'aldehyde' | 'halogen' | 'water-soluble' | 'neutral'

export interface Impurity {
  /** Id of its substance, or what was typed where that is none of the plan's. */
  substance: string
  name: string
  kind: ImpurityKind
  /** mmol that a wash has to meet: of protons for an acid, of the substance for all else. */
  mmol: number
  /** Partition coefficient, organic over watery, where it is known: what water alone takes out. */
  K?: number
}

const halogens = new Set(['I2', 'Br2', 'Cl2'])
const byGroup: readonly [FunctionalGroup, ImpurityKind][] = [
  ['carboxylic acid', 'carboxylic acid'],
  ['amine', 'amine'],
  ['phenol', 'phenol'],
  ['aldehyde', 'aldehyde'],
]
/** Metals of the salts that go into water. */
const salty = ['Na', 'K', 'Li', 'Mg', 'Ca'] as const

/** What kind of impurity a substance is, from its formula, its groups and its log P; salts and small polar molecules go into water. */
export function impurityKind({ formula = '', groups, logP }: Pick<Substance, 'formula' | 'groups' | 'logP'>): ImpurityKind {
  if (halogens.has(formula)) return 'halogen'
  if (protonsOf({ formula }) > 0) return 'mineral acid'
  const found = byGroup.find(([group]) => groups?.includes(group))
  if (found) return found[1]
  if (logP) return logP.value <= logPLimits.washedOut ? 'water-soluble' : 'neutral'
  // What has no carbon, or a metal in it, is a salt.
  const elements = elementsIn(formula)
  return !elements.has('C') || salty.some((metal) => elements.has(metal)) ? 'water-soluble' : 'neutral'
}

/** Less than this part of what there is most of is a trace: what an extraction or a wash before has left of it. */
const trace = 0.05

/** What a layer holds besides what is kept and traces, as a wash meets it: acid that has given its proton by the protons that are there, all else by its kind. What lies in it as a solid is decanted from. */
export function impuritiesIn(context: Context, vessel: Vessel | undefined): Impurity[] {
  const { plan } = context
  const kept = plan.mainProduct === undefined ? undefined : mainSubstance(plan)
  const liquids = vessel?.phases.filter(({ kind }) => kind !== 'solid') ?? []
  const solvent = liquids.map(mainLiquid).find((thing) => thing && !isWater(thing))
  const found = liquids
    .flatMap(({ holds }) => holds)
    .flatMap(({ thing, amount, certain, from }): Impurity[] => {
      if (!certain || amount === null || amount <= 1e-9) return []
      if (thing === proton) return [{ ...ofLine(plan, from), kind: 'mineral acid', mmol: amount }]
      if (thing.charge !== 0 || thing.atoms === null || isWater(thing) || thing.substance === kept) return []
      if (isGas(thing) || isMetal(thing.substance.formula ?? '') || !isUsed(plan, thing.substance)) return []
      const K = solvent && kHere(context, thing, solvent)?.K.likely
      return [
        {
          substance: thing.substance.id,
          name: thing.name,
          kind: impurityKind(thing.substance),
          mmol: amount * Math.max(1, protonsOf(thing.substance)),
          ...(K === undefined ? {} : { K }),
        },
      ]
    })
  const keptMmol = liquids.flatMap(({ holds }) => holds.filter(({ thing }) => thing.substance === kept))
  const most = Math.max(0, ...found.map(({ mmol }) => mmol), ...keptMmol.map(({ amount }) => amount ?? 0))
  const all = found.reduce<Impurity[]>((sum, next) => {
    const same = sum.find(({ substance, kind }) => substance === next.substance && kind === next.kind)
    return same ? sum.map((each) => (each === same ? { ...each, mmol: each.mmol + next.mmol } : each)) : [...sum, next]
  }, [])
  return all.filter(({ mmol }) => mmol >= trace * most)
}

/** The acid that protons come from, by the line that brought them. */
function ofLine(plan: Plan, from: readonly Origin[]): Pick<Impurity, 'substance' | 'name'> {
  const [line] = linesOf(plan, from)
  const substance = line && substanceOf(plan, line)
  return substance ? { substance: substance.id, name: substance.name } : { substance: 'acid', name: 'acid' }
}

/** What takes part or forms, and not what a layer is made of. An acid is an impurity whatever it was there for. */
const isUsed = (plan: Plan, substance: Substance) =>
  plan.lines.some((line) => line.substance === substance.id && (!madeOf.has(line.role) || protonsOf(substance) > 0))
