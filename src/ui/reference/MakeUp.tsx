'use client'

import { useState } from 'react'
import type { FoundSubstance } from '@/views/plans'
import { SubstancePicker } from '../desk/SubstancePicker'
import { madeUp } from './madeUp'

/** A solution to be made: of what, how strong, how much, and from the solid, the bottle it is sold in, or a stronger solution. */
export function MakeUp({ course }: { course: string }) {
  const [found, setFound] = useState<FoundSubstance>()
  const [blanks, setBlanks] = useState({ strength: '', volume: '', from: '' })
  const field = (key: keyof typeof blanks, label: string) => (
    <label>
      {label}{' '}
      <input
        className="form-control form-control-sm"
        value={blanks[key]}
        onChange={(event) => setBlanks({ ...blanks, [key]: event.currentTarget.value })}
      />
    </label>
  )
  const said = madeUp({ substance: found?.substance, ...blanks })
  return (
    <section aria-labelledby="scratch-solution" data-passing>
      <h2 className="section-title" id="scratch-solution">
        A solution
      </h2>
      <div className="add-line made-up">
        <SubstancePicker course={course} label="Of what: name or formula" keep onPick={setFound} />
        {field('strength', 'strength wanted: mol/L, % or % w/v')}
        {field('volume', 'volume, mL')}
        {field('from', 'made from: mol/L, % or % w/v (empty: as it is sold)')}
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
