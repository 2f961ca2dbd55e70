import { writeNumber } from '../../quantity/write'
import { givesCarbonDioxide } from '../../substance/acidBase'
import { densityOf, volumeOf } from '../../matter/phase'
import { saturatedSodiumChloride } from '../../matter/saltingOut'
import { type Advice, type Context } from '../planner'
import { fillRule, fittingSize } from '../vessel/vessel'
import { type ShakingBlanks } from './blanks'
import { layersHere, type LayersHere } from './layersHere'
import { uncertainBelow, whichOnTop } from './layers'
import { saltingOf } from './saltingOf'
import { shakenWith } from './shakenWith'

/** A solvent that boils below this presses the stopper out, °C: ether 35, dichloromethane 40, tert-butyl methyl ether 55. */
const quickC = 60

/** Densities of both layers with what is in them, g/mL; null where nobody can say. */
function densitiesHere({ organic, watery }: LayersHere, salted: boolean) {
  const [organicGPerML, wateryGPerML] = [densityOf(organic), salted ? saturatedSodiumChloride.gPerML : densityOf(watery)]
  return organicGPerML === null || wateryGPerML === null ? null : { organicGPerML, wateryGPerML }
}

/** What is believed to stand in each layer of a step that shakes two, the upper first, and on what ground; null where nobody can say. */
export function layersBelieved(
  context: Context,
  filled: ShakingBlanks,
): { what: string; why: 'density' | 'nobody knows' }[] | null {
  const here = layersHere(context)
  const densities = here && densitiesHere(here, saltingOf(filled) > 1)
  if (!here || !densities) return null
  const goes = shakenWith(context.table, context.step)
  const named = {
    organic: `${here.solvent.name}, ${writeNumber(densities.organicGPerML, 2)} g/mL`,
    watery: `${goes?.watery ? goes.substance.name : 'water'}, ${writeNumber(densities.wateryGPerML, 2)} g/mL`,
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
  { table, step, lab }: Context,
  here: LayersHere,
  filled: Pick<ShakingBlanks, 'salt' | 'setschenow'>,
): Advice[] {
  const goes = shakenWith(table, step)
  const { both, organic, watery, solvent } = here
  const advice: Advice[] = []
  const densities = densitiesHere(here, saltingOf(filled) > 1)
  if (densities) {
    const { organicGPerML, wateryGPerML } = densities
    const { top, certain, difference } = whichOnTop(organicGPerML, wateryGPerML)
    advice.push({
      id: 'on-top',
      level: certain ? 'open' : 'doubt',
      words: certain
        ? `The ${top === 'organic' ? `${solvent.name} layer` : 'watery layer'} lies on top.`
        : `Either layer may lie on top: they differ by ${writeNumber(difference, 3)} g/mL, less than ${uncertainBelow}. Add salt, and let a drop of each fall into water.`,
      why: `${writeNumber(organicGPerML, 2)} against ${writeNumber(wateryGPerML, 2)} g/mL with what is dissolved; a drop that vanishes in water came from the watery layer`,
    })
  }
  const [oneML, otherML] = [volumeOf(organic).mL, volumeOf(watery).mL]
  const all = oneML + otherML
  const size = fittingSize('separating funnel', all)
  const funnelML = both.kind === 'separating funnel' ? both.sizeML : undefined
  if (funnelML !== undefined && all > fillRule['separating funnel'].most * funnelML)
    advice.push({
      id: 'funnel',
      level: 'doubt',
      words: `Both layers make ${writeNumber(all, 0)} mL, too much for the ${funnelML} mL funnel: take ${size ?? 'two fillings of the largest'} mL.`,
    })
  else
    advice.push({
      id: 'funnel',
      level: 'open',
      words: `A ${funnelML ?? size ?? 1000} mL funnel: ${writeNumber(all, 0)} mL with both layers in.`,
      why: 'at most three quarters full',
    })
  const gassy = goes && givesCarbonDioxide(goes.substance)
  const quick = organic.holds.some(({ thing }) => thing.substance.boiling && thing.substance.boiling.lowC < quickC)
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
