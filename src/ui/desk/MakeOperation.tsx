import { useState } from 'react'
import { Button, Modal } from 'react-bootstrap'
import type { OwnMade } from '@/core/edit/addStep'
import { ownEffects, ownMeasures } from '@/core/plan/lists'
import { readNumber } from '@/core/quantity/readQuantity'

interface Props {
  name: string
  onMake: (made: OwnMade) => void
  onClose: () => void
}

interface BlankRow {
  label: string
  unit: string
  least: string
  most: string
}

const effectWords: Record<(typeof ownEffects)[number], string> = {
  stays: 'stays as it is',
  'goes into another vessel': 'goes into another vessel',
  'only the product is left': 'is gone but for the product',
  'the vessel was empty': 'is new: the vessel was empty before',
}

const measureWords: Record<(typeof ownMeasures)[number], string> = {
  pH: 'pH, as often as it is read',
  'boiling range': 'a boiling range',
  'refractive index': 'a refractive index',
  spots: 'a plate with its spots',
  titre: 'burette readings',
  'made up': 'the volume of a flask',
  slot: 'the slot of a vial',
}

const fresh: BlankRow = { label: '', unit: '', least: '0', most: '100' }

/** An operation of one's own, made from the same parts as the others. */
export function MakeOperation({ name: given, onMake, onClose }: Props) {
  const [name, setName] = useState(given)
  const [text, setText] = useState('')
  const [danger, setDanger] = useState('')
  const [hands, setHands] = useState('10')
  const [wait, setWait] = useState('0')
  const [measures, setMeasures] = useState('')
  const [effect, setEffect] = useState('')
  const [rows, setRows] = useState<BlankRow[]>([])
  const [problem, setProblem] = useState<string>()
  const put = (index: number, part: Partial<BlankRow>) =>
    setRows(rows.map((row, at) => (at === index ? { ...row, ...part } : row)))
  const make = () => {
    if (name.trim() === '') return setProblem('Give it a name, for example grind.')
    if (text.trim() === '') return setProblem('Say what to do, in a sentence for the bench.')
    const [handsOnMin, waitMin] = [number(hands), number(wait)]
    if (handsOnMin === null || waitMin === null || handsOnMin < 0 || waitMin < 0)
      return setProblem('The minutes are numbers, for example 10 and 0.')
    const blanks = rows
      .filter(({ label }) => label.trim() !== '')
      .map(({ label, unit, least, most }, index) => ({
        key: `blank${index + 1}`,
        label: label.trim(),
        unit: unit.trim(),
        least: number(least) ?? NaN,
        most: number(most) ?? NaN,
      }))
    const odd = blanks.find(({ least, most }) => !(least < most))
    if (odd) return setProblem(`“${odd.label}” goes from less to more, for example from 0 to 100.`)
    const [measured, done] = [ownMeasures.find((each) => each === measures), ownEffects.find((each) => each === effect)]
    onMake({
      own: {
        name: name.trim(),
        ...(danger.trim() ? { danger: danger.trim() } : {}),
        ...(blanks.length > 0 ? { blanks } : {}),
        ...(measured ? { measures: measured } : {}),
        ...(done ? { effect: done } : {}),
      },
      text: text.trim(),
      handsOnMin,
      waitMin,
    })
  }
  const written = (label: string, value: string, set: (text: string) => void, width?: string) => (
    <label className={width}>
      {label}
      <input
        className="form-control form-control-sm"
        maxLength={400}
        value={value}
        onChange={(event) => {
          set(event.currentTarget.value)
          setProblem(undefined)
        }}
      />
    </label>
  )
  const chosen = <T extends string>(
    label: string,
    value: string,
    set: (text: string) => void,
    nothing: string,
    words: Record<T, string>,
  ) => (
    <label>
      {label}
      <select className="form-select form-select-sm" value={value} onChange={(event) => set(event.currentTarget.value)}>
        <option value="">{nothing}</option>
        {(Object.entries(words) as [T, string][]).map(([each, said]) => (
          <option key={each} value={each}>
            {said}
          </option>
        ))}
      </select>
    </label>
  )
  return (
    <Modal show onHide={onClose} size="lg" centered aria-labelledby="make-operation-title">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="make-operation-title">
          An operation of our own
        </Modal.Title>
      </Modal.Header>
      <Modal.Body className="make-operation">
        <div className="parts">
          {written('name', name, setName)}
          {written('hands on, min', hands, setHands, 'short')}
          {written('waiting, min', wait, setWait, 'short')}
          {written('what to do', text, setText, 'wide')}
          {written('its danger, where it has one', danger, setDanger, 'wide')}
          {chosen('what is measured', measures, setMeasures, 'nothing: it is ticked off', measureWords)}
          {chosen('what is in the vessel', effect, setEffect, 'is not known afterwards', effectWords)}
        </div>
        <h3>Figures of its own</h3>
        {rows.length > 0 && (
          // Each field says it once more for those who do not see where it stands.
          <div className="figure-row" aria-hidden="true">
            {figureParts.map(([key, , heading]) => (
              <small key={key}>{heading}</small>
            ))}
          </div>
        )}
        {rows.map((row, index) => (
          <div className="figure-row" key={index}>
            {figureParts.map(([key, label]) => (
              <input
                key={key}
                className="form-control form-control-sm"
                aria-label={`Figure ${index + 1}: ${label}`}
                placeholder={label}
                maxLength={key === 'unit' ? 12 : 60}
                value={row[key]}
                onChange={(event) => put(index, { [key]: event.currentTarget.value })}
              />
            ))}
          </div>
        ))}
        {rows.length < 12 && (
          <Button variant="quiet" size="sm" onClick={() => setRows([...rows, fresh])}>
            One more figure
          </Button>
        )}
        {problem && (
          <p className="problem" role="alert">
            {problem}
          </p>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="quiet" onClick={onClose}>
          Leave it
        </Button>
        <Button onClick={make}>Make it and add the step</Button>
      </Modal.Footer>
    </Modal>
  )
}

/** The parts of a figure: key, what is asked, and what stands above it. */
const figureParts = [
  ['label', 'what it is, for example mesh', 'what it is'],
  ['unit', 'unit', 'unit'],
  ['least', 'from', 'at the least'],
  ['most', 'to', 'at the most'],
] as const

function number(text: string): number | null {
  const read = readNumber(text)
  return read.ok ? read.value.value : null
}
