import { writeNumber } from '../../quantity/write'
import type { KeepsBack } from '../kept'
import { worksOut } from './advice'
import type { CrystalliseBlanks } from './blanks'
import { secondCrop } from './crop'
import { leftInMotherLiquor, solubilityAt, solubilityIn } from '../../matter/solubility'

/** How far the cold end may really lie from what was meant, K: a flask in ice is not stirred, and a filter is at room temperature. */
const colderK = 3
const warmerK = 5
/** What a solubility on record is worth, relative: sources of teaching laboratories differ by so much. */
const solubilityMay = 0.1
/** A second crop is looked for when the liquor is boiled down to so much of it. */
const boiledDownTo = 0.25

/** The mother liquor: what the solvent really used holds at the cold end, never more than there was. */
export const crystallisingKeeps: KeepsBack = (context, { substance }) => {
  const used = context.measured?.usedML[context.step.id]
  if (used === undefined) return null
  const filled = context.filledOf(context.step) as unknown as CrystalliseBlanks
  const { solute, solvent, soluteG, coldS, name } = worksOut(context, filled)
  if (solute?.id !== substance.id || !(soluteG > 0)) return null
  if (!(coldS > 0)) return { unknown: `what ${writeNumber(used, 0)} mL of ${name} hold cold: no solubility in it is on record` }
  const points = solvent && solubilityIn(solute, solvent)
  const at = (shiftK: number, factor: number) =>
    leftInMotherLiquor(
      used,
      factor * (points ? (coldS / solubilityAt(points, filled.coldC)) * solubilityAt(points, filled.coldC + shiftK) : coldS),
      soluteG,
    )
  const g = at(0, 1)
  const toML = used * boiledDownTo
  const again = secondCrop(g, toML, coldS)
  return {
    what: 'mother liquor',
    g,
    lowG: at(-colderK, 1 - solubilityMay),
    highG: at(warmerK, 1 + solubilityMay),
    how: `${writeNumber(used, 0)} mL × ${writeNumber(coldS, 2)} g/100 mL of ${name} at ${writeNumber(filled.coldC, 0)} °C${g < (used * coldS) / 100 - 1e-9 ? ', but no more than there was' : ''}; from ${colderK} K colder to ${warmerK} K warmer, the solubility good to ${100 * solubilityMay} %`,
    ...(again > 0
      ? {
          again: {
            g: again,
            words: `boiled down to ${writeNumber(toML, 0)} mL and cooled again, a second crop of about ${writeNumber(again, 2)} g, to be melted apart`,
          },
        }
      : {}),
  }
}
