import { usualSetschenow } from '../../matter/saltingOut'
import { operationIn } from '../registry'
import { ofPlan, ofRecord, rough, unknown, usual, type Context } from '../planner'
import { type ShakingBlanks } from './blanks'
import { drawnInto } from './drawnInto'
import { kHere, layersHere } from './layersHere'
import { shakenWith } from './shakenWith'

/** What a step of extraction or washing suggests, from the liquid that goes into it and what it divides. */
export function suggestShaking(context: Context, typed: Partial<ShakingBlanks>) {
  const { table, step } = context
  const goes = shakenWith(table, step)
  const portions = typed.portions ?? 1
  return {
    portions: usual(1, 'all of it at once'),
    portionML: goes
      ? ofPlan(rough(goes.volumeML / portions), `volume of ${goes.substance.name} over the portions`)
      : unknown(rough(20 / portions), 'the step names nothing to shake with'),
    layer: unknown('', 'the one that the work stands in'),
    into: ofPlan(drawnInto(step, goes?.watery ?? true), 'what is shaken with, and the step'),
    wantedPercent: usual(99, 'nearly all'),
    salt: usual('none' as const, 'none stands in the step'),
    setschenow: usual(usualSetschenow, 'of most neutral substances'),
    solutes: ofRecord(coefficients(context), 'the records of what divides here, and what was written before'),
  }
}

/** K of everything that divides at a step, where one is known. */
function coefficients(context: Context): { name: string; K: number }[] {
  if (!operationIn(context.step)?.shakes) return []
  const here = layersHere(context)
  return (here?.followed ?? []).flatMap((thing) => {
    const known = kHere(context, thing, here!.solvent)
    return known ? [{ name: thing.substance.id, K: rough(known.K.likely) }] : []
  })
}
