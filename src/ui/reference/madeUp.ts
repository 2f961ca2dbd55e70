import type { Form } from '@/core/plan/plan'
import { usualForm } from '@/core/plan/editPlan'
import { readFigure, type Reading } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { makeUp, molarityOf } from '@/core/reaction/makeUp'
import { inWaterOnly, readStrength } from '@/core/reaction/strength'
import { molarMass } from '@/core/substance/molarMass'
import { densityAt, soldAs } from '@/reference/concentrated'
import type { Substance } from '@/core/substance/substance'
import { formText } from '../figures/formText'

interface Wanted {
  substance: Substance | undefined
  strength: string
  volume: string
  from: string
}

type Answer = { words: string; how: string } | { problem: string } | null

/** What a solution is made from where nobody says: the bottle that it is sold in, the pure liquid, or the solid. */
function usualFrom(substance: Substance): Reading<Form> {
  const sold = soldAs(substance.id)
  if (sold) return { ok: true, value: sold }
  if (inWaterOnly.has(substance.formula ?? ''))
    return {
      ok: false,
      problem: `${substance.name} comes as a solution. Say how strong the one on the shelf is, as its label has it.`,
    }
  return { ok: true, value: usualForm(substance) }
}

/** What to take for a solution, from what was typed. */
export function madeUp({ substance, strength, volume, from }: Wanted): Answer {
  if (strength.trim() === '' || volume.trim() === '') return null
  const formula = substance?.formula
  const [plain, thinned] = [readStrength(strength), readStrength(from)]
  // Moles thinned to moles: of what does not matter.
  const dilution = plain.ok && thinned.ok && plain.value.kind === 'solution' && thinned.value.kind === 'solution'
  if (!dilution && formula === undefined)
    return { problem: 'Choose the substance: by its formula the strength becomes an amount.' }
  const gPerMol = formula === undefined ? NaN : molarMass(formula)
  const neatGPerML = substance?.density?.gPerML
  const density = (fraction: number) => densityAt(substance?.id ?? '', fraction)
  const toML = readFigure(volume, 'mL')
  if (!toML.ok || !(toML.value.value > 0)) return { problem: 'A volume is a number of mL above 0, such as 250, or 0.25 L.' }
  const wanted = readStrength(strength, density)
  if (!wanted.ok) return { problem: wanted.problem }
  const bottle = from.trim() === '' ? usualFrom(substance!) : readStrength(from, density)
  if (!bottle.ok) return { problem: bottle.problem }
  const molPerL = molarityOf(wanted.value, gPerMol)
  if (molPerL === null) return { problem: 'How strong that is cannot be told. Say it in mol/L.' }
  try {
    const { take, how } = makeUp({ molPerL, toML: toML.value.value, gPerMol, neatGPerML }, bottle.value)
    const strong = molarityOf(bottle.value, gPerMol, neatGPerML)
    const of =
      bottle.value.kind === 'solid'
        ? substance?.name
        : `${substance ? `${substance.name}, ` : 'the '}${formText(bottle.value)}${strong === null || bottle.value.kind === 'solution' ? '' : ` (${writeNumber(strong, 1)} mol/L)`}`
    return {
      words: `Take ${writeNumber(take.value, take.value < 10 ? 2 : 1)} ${take.unit} of ${of} and make it up to ${writeNumber(toML.value.value, toML.value.value < 10 ? 2 : 0)} mL.`,
      how: `${how}${from.trim() === '' && bottle.value.kind !== 'solid' ? '; the usual strength of its bottle: look at the label' : ''}`,
    }
  } catch (error) {
    if (error instanceof RangeError) return { problem: error.message }
    throw error
  }
}
