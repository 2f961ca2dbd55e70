import { writeNumber } from '../../quantity/write'
import { givesCarbonDioxide } from '../../substance/acidBase'
import { densityOf } from '../../plan/plan'
import { loadedDensity, uncertainBelow, whichOnTop } from './layers'
import { saturatedSodiumChloride } from '../../matter/saltingOut'
import { type Layer } from './layerFlow'
import { fillRule, fittingSize } from '../vessel/vessel'
import { saltingOf, shakenWith } from './flowOfPlan'
import { organicLayer } from '../vessel/inVessel'
import { type Advice, type Context } from '../planner'
import { type ShakingBlanks } from './blanks'
import { flowHere } from './shakingHere'

/** A solvent that boils below this presses the stopper out, °C: ether 35, dichloromethane 40, tert-butyl methyl ether 55. */
const quickC = 60

/** Densities of both layers with what is dissolved in them, g/mL; null where nothing in the funnel parts from water. */
function densitiesHere(context: Context, shaken: Layer, salted: boolean) {
  const { plan, table, step } = context
  const organic = organicLayer(context)
  if (!organic) return null
  const goes = shakenWith(table, step)
  // What the organic layer still holds, as the step before has left it.
  const solute = Object.entries(shaken.kind === 'organic' ? shaken.holds : {}).reduce((sum, [id, mmol]) => {
    const found = table.lines.find(({ substance }) => substance.id === id)
    return sum + (found?.line.role === 'component' && found.molarMass ? (mmol * found.molarMass) / 1000 : 0)
  }, 0)
  return {
    organicGPerML: loadedDensity(organic.volumeML, organic.gPerML, solute),
    wateryGPerML: salted ? saturatedSodiumChloride.gPerML : goes?.watery ? (densityOf(plan, goes.line)?.gPerML ?? 1.0) : 1.0,
  }
}

/** What is believed to stand in each layer of a step that shakes two, the upper first, and on what ground; null where nobody can say. */
export function layersBelieved(
  context: Context,
  filled: ShakingBlanks,
): { what: string; why: 'density' | 'nobody knows' }[] | null {
  const here = flowHere(context)
  const organic = organicLayer(context)
  const densities = here && densitiesHere(context, here.shaken, saltingOf(filled) > 1)
  if (!here || !organic || !densities) return null
  const watery = shakenWith(context.table, context.step)?.substance.name ?? 'water'
  const named = {
    organic: `${organic.name}, ${writeNumber(densities.organicGPerML, 2)} g/mL`,
    watery: `${watery}, ${writeNumber(densities.wateryGPerML, 2)} g/mL`,
  }
  const { top, certain } = whichOnTop(densities.organicGPerML, densities.wateryGPerML)
  const why = certain ? ('density' as const) : ('nobody knows' as const)
  return (top === 'organic' ? [named.organic, named.watery] : [named.watery, named.organic]).map((what) => ({
    what: certain ? what : `${named.organic} or ${named.watery}`,
    why,
  }))
}

/** Which layer is on top, which funnel, when to vent, how to take the layers out. */
export function layersAdvice(
  context: Context,
  { shaken, filled }: { shaken: Layer; filled: Pick<ShakingBlanks, 'portionML' | 'salt' | 'setschenow'> },
): Advice[] {
  const { plan, table, step, lab } = context
  const goes = shakenWith(table, step)
  const organic = organicLayer(context)
  const [layerML, portionML, salted] = [shaken.volumeML, filled.portionML, saltingOf(filled) > 1]
  const advice: Advice[] = []
  const densities = densitiesHere(context, shaken, salted)
  if (organic && densities) {
    const { organicGPerML, wateryGPerML } = densities
    const { top, certain, difference } = whichOnTop(organicGPerML, wateryGPerML)
    advice.push({
      id: 'on-top',
      level: certain ? 'open' : 'doubt',
      words: certain
        ? `The ${top === 'organic' ? `${organic.name} layer` : 'watery layer'} lies on top.`
        : `Either layer may lie on top: they differ by ${writeNumber(difference, 3)} g/mL, less than ${uncertainBelow}. Add salt, and let a drop of each fall into water.`,
      why: `${writeNumber(organicGPerML, 2)} against ${writeNumber(wateryGPerML, 2)} g/mL with what is dissolved; a drop that vanishes in water came from the watery layer`,
    })
  }
  const all = layerML + portionML
  const size = fittingSize('separating funnel', all)
  const used = context.now.vessel
  if (used?.kind === 'separating funnel' && all > fillRule['separating funnel'].most * used.sizeML)
    advice.push({
      id: 'funnel',
      level: 'doubt',
      words: `Both layers make ${writeNumber(all, 0)} mL, too much for the ${used.sizeML} mL funnel: take ${size ?? 'two fillings of the largest'} mL.`,
    })
  else
    advice.push({
      id: 'funnel',
      level: 'open',
      words: `A ${used?.kind === 'separating funnel' ? used.sizeML : (size ?? 1000)} mL funnel: ${writeNumber(all, 0)} mL with both layers in.`,
      why: 'at most three quarters full',
    })
  const gassy = goes && givesCarbonDioxide(goes.substance)
  const quick = plan.substances.some(({ id, boiling }) => organic?.substances.includes(id) && boiling && boiling.lowC < quickC)
  advice.push({
    id: 'vent',
    level: gassy ? 'danger' : 'open',
    words: `Invert, point away from people, open: ${gassy ? 'swirl open first, then after every second shake' : quick ? 'after every second shake at first' : 'after the first shakes, then now and then'}.`,
    why: gassy ? 'carbon dioxide' : 'warm vapour presses the stopper out',
  })
  advice.push({
    id: 'out',
    level: 'open',
    words:
      lab.layersOut === 'top through the top'
        ? 'Bottom layer out through the tap, top layer out at the top.'
        : 'Both layers out through the tap, the boundary into a flask of its own.',
    why:
      lab.layersOut === 'top through the top'
        ? 'the bore of the tap holds drops of the other layer'
        : 'the school of this laboratory; dry the upper layer longer',
  })
  advice.push({
    id: 'keep',
    level: 'open',
    words: `Every layer into a named flask; none is thrown away before the product has been weighed. Then neutral, harmless water goes ${lab.harmlessWater === 'sink' ? 'into the sink, where local rules allow it' : 'into its container'}.`,
  })
  return advice
}
