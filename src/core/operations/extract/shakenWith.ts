import { partsUsed } from '../../plan/partsUsed'
import type { Line, Step } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import type { Substance } from '../../substance/substance'
import { isWatery } from '../vessel/watery'

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
