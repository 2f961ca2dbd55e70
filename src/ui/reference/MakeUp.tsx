'use client'

import { useState } from 'react'
import { molarMass } from '@/core/substance/molarMass'
import { readNumber } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { makeUp } from '@/core/reaction/makeUp'
import { SubstancePicker, type FoundSubstance } from '../desk/SubstancePicker'

/** A solution to be made: of what, how strong, how much, and from the solid or a stronger one. */
export function MakeUp({ course }: { course: string }) {
  const [found, setFound] = useState<FoundSubstance>()
  const [blanks, setBlanks] = useState({ strength: '', volume: '', from: '' })
  const field = (key: keyof typeof blanks, label: string) => (
    <label>
      {label}{' '}
      <input
        className="form-control form-control-sm"
        inputMode="decimal"
        value={blanks[key]}
        onChange={(event) => setBlanks({ ...blanks, [key]: event.currentTarget.value })}
      />
    </label>
  )
  const value = (text: string) => {
    const read = readNumber(text)
    return read.ok ? read.value.value : NaN
  }
  const answer = (): { words: string; how?: string } | { problem: string } | null => {
    if (blanks.strength.trim() === '' || blanks.volume.trim() === '') return null
    const [molPerL, toML] = [value(blanks.strength), value(blanks.volume)]
    if (!(molPerL > 0 && toML > 0)) return { problem: 'Strength and volume are numbers above 0, such as 0.5 and 250.' }
    const formula = found?.substance.formula
    const gPerMol = formula === undefined ? NaN : molarMass(formula)
    const stronger = blanks.from.trim()
    if (stronger === '' && Number.isNaN(gPerMol))
      return { problem: 'Choose the substance, or say how strong the solution is that is diluted.' }
    try {
      const recipe = makeUp(
        { molPerL, toML, gPerMol, neatGPerML: found?.substance.density?.gPerML },
        stronger === '' ? { kind: 'solid', purity: 1 } : { kind: 'solution', molPerL: value(stronger) },
      )
      const { unit, value: take } = recipe.take
      return {
        words: `Take ${writeNumber(take, take < 10 ? 3 : 1)} ${unit} and make it up to ${writeNumber(toML, 0)} mL.`,
        how: recipe.how,
      }
    } catch (error) {
      if (error instanceof RangeError) return { problem: error.message }
      throw error
    }
  }
  const said = answer()
  return (
    <section aria-labelledby="scratch-solution">
      <h2 className="section-title" id="scratch-solution">
        A solution
      </h2>
      <div className="add-line">
        <SubstancePicker course={course} label="Of what: name or formula" keep onPick={setFound} />
        {field('strength', 'mol/L wanted')}
        {field('volume', 'mL of it')}
        {field('from', 'diluted from, mol/L (empty: from the solid)')}
      </div>
      <p role="status">
        {said === null ? (
          <span className="quiet">Acid into water, never the reverse.</span>
        ) : 'problem' in said ? (
          <span className="problem">{said.problem}</span>
        ) : (
          <>
            <b>{said.words}</b> <span className="quiet">{said.how}. Acid into water, never the reverse.</span>
          </>
        )}
      </p>
    </section>
  )
}
