import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { usualForm } from '@/core/plan/editPlan'
import type { Form } from '@/core/plan/plan'
import { readNumber } from '@/core/quantity/readQuantity'
import type { Substance } from '@/core/substance/substance'
import { OwnSubstance } from '../desk/OwnSubstance'
import { SubstancePicker } from '../desk/SubstancePicker'
import { formKinds } from '../figures/formText'
import { Problem } from '../course/Problem'
import type { Refused } from '../course/refusalOf'
import { readLeft } from './LeftField'

/** What the strength of each kind is asked in. */
const strengthIn: Readonly<Record<Form['kind'], string>> = {
  solid: 'purity, %',
  neat: 'purity, %',
  solution: 'mol/L',
  'mass-fraction': '% w/w',
  'mass-volume': 'g in 100 mL',
}

function formOf(kind: Form['kind'], strength: number): Form {
  if (kind === 'solution') return { kind, molPerL: strength }
  if (kind === 'mass-volume') return { kind, gPer100ML: strength }
  if (kind === 'mass-fraction') return { kind, fraction: strength / 100, source: 'label of the bottle' }
  return { kind, purity: strength / 100 }
}

/** A bottle that comes to the shelf. */
export function AddBottle({ course, onAdd }: { course: string; onAdd: (bottle: object) => Promise<boolean> }) {
  const [substance, setSubstance] = useState<Substance>()
  const [own, setOwn] = useState<string>()
  const [kind, setKind] = useState<Form['kind']>('solid')
  const [strength, setStrength] = useState('100')
  const [left, setLeft] = useState('')
  const [place, setPlace] = useState('')
  const [problem, setProblem] = useState<Refused>()
  const take = (chosen: Substance) => {
    setSubstance(chosen)
    setKind(usualForm(chosen).kind)
    setOwn(undefined)
  }
  const submit = async () => {
    const [amount, share] = [readLeft(left), readNumber(strength)]
    const percent = kind !== 'solution' && kind !== 'mass-volume'
    if (!substance) return setProblem({ words: 'Choose what is in the bottle.' })
    if (!share.ok || share.value.value <= 0 || (percent && share.value.value > 100))
      return setProblem({
        words: percent ? 'A strength or purity in % is above 0, at most 100.' : 'A strength is more than zero.',
        field: 'strength',
      })
    if (!amount.ok) return setProblem({ words: amount.problem, field: 'left' })
    setProblem(undefined)
    const form = formOf(kind, share.value.value)
    const done = await onAdd({ substance: substance.name, formula: substance.formula ?? null, form, left: amount.value, place })
    if (!done) return
    setSubstance(undefined)
    setLeft('')
  }
  return (
    <form
      className="add-bottle"
      onSubmit={(event) => {
        event.preventDefault()
        void submit()
      }}
    >
      <h2 className="section-title">Another bottle</h2>
      <div className="line-editor">
        <div className="half">
          <SubstancePicker
            course={course}
            label={substance ? `In the bottle: ${substance.name}` : 'In the bottle: name or formula'}
            onPick={({ substance: chosen }) => take(chosen)}
            onOwn={setOwn}
          />
        </div>
        <label>
          as
          <select
            className="form-select form-select-sm"
            aria-label="as"
            value={kind}
            onChange={(event) => {
              const chosen = event.currentTarget.value as Form['kind']
              setKind(chosen)
              setStrength(chosen === 'solid' || chosen === 'neat' ? '100' : '')
            }}
          >
            {formKinds.map((each) => (
              <option key={each.kind} value={each.kind}>
                {each.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          {strengthIn[kind]}
          <input
            className="form-control form-control-sm"
            name="strength"
            value={strength}
            onChange={(event) => setStrength(event.currentTarget.value)}
          />
        </label>
        <label>
          left
          <input
            className="form-control form-control-sm"
            name="left"
            value={left}
            placeholder="250 mL, 40 g"
            onChange={(event) => setLeft(event.currentTarget.value)}
          />
        </label>
        <label>
          stands
          <input
            className="form-control form-control-sm"
            value={place}
            placeholder="cupboard 2"
            onChange={(event) => setPlace(event.currentTarget.value)}
          />
        </label>
      </div>
      <Problem words={problem?.words} field={problem?.field} />
      <Button type="submit" size="sm">
        Put it on the shelf
      </Button>
      {own !== undefined && (
        <OwnSubstance course={course} name={own} onClose={() => setOwn(undefined)} onTake={(found) => take(found.substance)} />
      )}
    </form>
  )
}
