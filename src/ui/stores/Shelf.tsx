'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { usualForm } from '@/core/plan/editPlan'
import type { Form } from '@/core/plan/plan'
import type { Substance } from '@/core/substance/substance'
import { readNumber, readQuantity, type Reading } from '@/core/quantity/readQuantity'
import { inBaseUnit } from '@/core/quantity/unit'
import { writeQuantity } from '@/core/quantity/write'
import type { Bottle } from '@/core/stores/bottle'
import { call } from '../call'
import { OwnSubstance } from '../desk/OwnSubstance'
import { SubstancePicker } from '../desk/SubstancePicker'
import { formText } from '../figures/formText'
import { clockTime, longDay } from '../time'
import { BottleLabel } from './BottleLabel'

/** A bottle, how many groups it serves in each published preparation, and what speaks against using it today. */
type ServingBottle = Bottle & { serves: { title: string; groups: number }[]; against: string[] }

interface Props {
  course: string
  bottles: ServingBottle[]
  /** Titles of published plans that cannot be read, and so are not counted. */
  unreadable: string[]
  mayWrite: boolean
  zone: string
}

/** What stands on the shelf, how much is left of it, and how many groups that serves in each preparation. */
export function Shelf({ course, bottles, unreadable, mayWrite, zone }: Props) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const send = async (work: () => Promise<unknown>) => {
    setProblem(undefined)
    try {
      await work()
      router.refresh()
      return true
    } catch (error) {
      setProblem((error as Error).message)
      return false
    }
  }
  return (
    <>
      {unreadable.length > 0 && (
        <p className="problem">Cannot be read, and so is not counted here: {unreadable.join(', ')}. Open it at the Desk.</p>
      )}
      {bottles.length === 0 ? (
        <p>No bottle has been written down yet.{mayWrite && ' Add the first below.'}</p>
      ) : (
        <table className="ruled shelf" aria-label="Bottles">
          <thead>
            <tr>
              <th scope="col">bottle</th>
              <th scope="col" className="n">
                left
              </th>
              <th scope="col">stands</th>
              <th scope="col">serves</th>
              <th scope="col">written down</th>
              {mayWrite && <td />}
            </tr>
          </thead>
          <tbody>
            {bottles.map((bottle) => (
              <tr key={bottle.id}>
                <th scope="row">
                  {bottle.substance}
                  <small className="quiet"> {formText(bottle.form)}</small>
                  {bottle.lot && <small className="quiet"> lot {bottle.lot}</small>}
                  {bottle.openedOn && <small className="quiet"> opened {bottle.openedOn}</small>}
                  {bottle.standard && (
                    <small className="quiet">
                      {' '}
                      titre {bottle.standard.molPerL} mol/L, {bottle.standard.on}
                    </small>
                  )}
                  {bottle.against.map((why) => (
                    <small key={why} className="doubt">
                      {' '}
                      {why}
                    </small>
                  ))}
                  {mayWrite && (
                    <details>
                      <summary aria-label={`Label and use of ${bottle.substance}`}>Label and use</summary>
                      <BottleLabel
                        key={bottle.changedAt}
                        bottle={bottle}
                        onAbout={(about) =>
                          void send(() =>
                            call(`/api/bottles/${bottle.id}`, 'PATCH', { left: bottle.left, place: bottle.place, about }),
                          )
                        }
                        onMove={(kind, by, reason) =>
                          send(() => call(`/api/bottles/${bottle.id}/moves`, 'POST', { kind, by, reason }))
                        }
                      />
                    </details>
                  )}
                </th>
                <td className="n fig">
                  {mayWrite ? (
                    <LeftField
                      key={bottle.changedAt}
                      bottle={bottle}
                      onLeft={(left) => send(() => call(`/api/bottles/${bottle.id}`, 'PATCH', { left, place: bottle.place }))}
                    />
                  ) : (
                    writeQuantity(bottle.left)
                  )}
                </td>
                <td>{bottle.place}</td>
                <td>
                  {bottle.serves.length === 0 && <span className="quiet">no preparation in use</span>}
                  {bottle.serves.map(({ title, groups }) => (
                    <div key={title} className={groups < 8 ? 'doubt' : undefined}>
                      <b className="fig">{groups}</b> {groups === 1 ? 'group' : 'groups'} of {title}
                    </div>
                  ))}
                </td>
                <td className="quiet">
                  {longDay(bottle.changedAt, zone)} {clockTime(bottle.changedAt, zone)}, {bottle.changedBy}
                </td>
                {mayWrite && (
                  <td>
                    <Button
                      variant="quiet"
                      size="sm"
                      aria-label={`Take ${bottle.substance} off the shelf`}
                      onClick={() => send(() => call(`/api/bottles/${bottle.id}`, 'DELETE'))}
                    >
                      Take off
                    </Button>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      {mayWrite && (
        <AddBottle course={course} onAdd={(bottle) => send(() => call(`/api/courses/${course}/bottles`, 'POST', bottle))} />
      )}
    </>
  )
}

/** `250 mL`, `40 g`, and `0 g` for an empty bottle; in g or mL as the shelf keeps it. */
function readLeft(text: string): Reading<Bottle['left']> {
  const empty = /^0(?:\.0*)?\s*(g|mL)$/i.exec(text.trim())
  if (empty) return { ok: true, value: { value: 0, unit: empty[1]!.toLowerCase() === 'g' ? 'g' : 'mL', decimals: 0 } }
  for (const dimension of ['mass', 'volume'] as const) {
    const read = readQuantity(text, dimension)
    if (read.ok) {
      const unit = dimension === 'mass' ? 'g' : 'mL'
      return { ok: true, value: { value: Number(inBaseUnit(read.value).toPrecision(12)), unit, decimals: 1 } }
    }
  }
  return { ok: false, problem: 'Write what is left with its unit, for example 250 mL or 40 g.' }
}

function LeftField({ bottle, onLeft }: { bottle: Bottle; onLeft: (left: Bottle['left']) => void }) {
  const shown = writeQuantity(bottle.left)
  const [text, setText] = useState(shown)
  const [problem, setProblem] = useState<string>()
  const commit = () => {
    if (text.trim() === shown) return setProblem(undefined)
    const read = readLeft(text)
    setProblem(read.ok ? undefined : read.problem)
    if (read.ok) onLeft(read.value)
  }
  return (
    <>
      <input
        className="form-control form-control-sm"
        aria-label={`Left of ${bottle.substance}`}
        aria-invalid={problem ? true : undefined}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit()
          if (event.key === 'Escape') {
            setText(shown)
            setProblem(undefined)
          }
        }}
      />
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </>
  )
}

const kinds: { kind: Form['kind']; name: string; strength?: string }[] = [
  { kind: 'solid', name: 'solid', strength: 'purity, %' },
  { kind: 'neat', name: 'neat liquid', strength: 'purity, %' },
  { kind: 'solution', name: 'solution, mol/L', strength: 'mol/L' },
  { kind: 'mass-fraction', name: 'solution, % w/w', strength: '% w/w' },
  { kind: 'mass-volume', name: 'solution, % w/v', strength: 'g in 100 mL' },
]

function formOf(kind: Form['kind'], strength: number): Form {
  if (kind === 'solution') return { kind, molPerL: strength }
  if (kind === 'mass-volume') return { kind, gPer100ML: strength }
  if (kind === 'mass-fraction') return { kind, fraction: strength / 100, source: 'label of the bottle' }
  return { kind, purity: strength / 100 }
}

function AddBottle({ course, onAdd }: { course: string; onAdd: (bottle: object) => Promise<boolean> }) {
  const [substance, setSubstance] = useState<Substance>()
  const [own, setOwn] = useState<string>()
  const [kind, setKind] = useState<Form['kind']>('solid')
  const [strength, setStrength] = useState('100')
  const [left, setLeft] = useState('')
  const [place, setPlace] = useState('')
  const [problem, setProblem] = useState<string>()
  const take = (chosen: Substance) => {
    setSubstance(chosen)
    setKind(usualForm(chosen).kind)
    setOwn(undefined)
  }
  const submit = async () => {
    const [amount, share] = [readLeft(left), readNumber(strength)]
    const percent = kind !== 'solution' && kind !== 'mass-volume'
    if (!substance) return setProblem('Choose what is in the bottle.')
    if (!share.ok || share.value.value <= 0 || (percent && share.value.value > 100))
      return setProblem(percent ? 'A strength or purity in % is above 0, at most 100.' : 'A strength is more than zero.')
    if (!amount.ok) return setProblem(amount.problem)
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
            {kinds.map((each) => (
              <option key={each.kind} value={each.kind}>
                {each.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          {kinds.find((each) => each.kind === kind)!.strength}
          <input
            className="form-control form-control-sm"
            value={strength}
            onChange={(event) => setStrength(event.currentTarget.value)}
          />
        </label>
        <label>
          left
          <input
            className="form-control form-control-sm"
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
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <Button type="submit" size="sm">
        Put it on the shelf
      </Button>
      {own !== undefined && (
        <OwnSubstance course={course} name={own} onClose={() => setOwn(undefined)} onTake={(found) => take(found.substance)} />
      )}
    </form>
  )
}
