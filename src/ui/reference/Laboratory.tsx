'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { pressureBounds, pressureMmHg, type Instrument, type Lab, type PressureWay } from '@/core/lab/lab'
import { schools } from '@/core/lab/schools'
import { boilsAt, water } from '@/core/substance/boilsAt'
import { calibrationOf, type Standard } from '@/core/operations/melt/calibration'
import { readNumber } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { call } from '../call'
import { NumberField, TextField } from '../desk/fields'
import { State } from '../figures/State'
import { Rooms } from './Rooms'

const ways: Record<PressureWay, string> = {
  kPa: 'read on the barometer, kPa',
  mmHg: 'read on the barometer, mmHg',
  altitude: 'from the altitude, m',
}

/** How the laboratory works: its pressure, the school it follows where schools differ, its apparatus with the standards they were checked with. Each change is written at once. */
export function Laboratory({ course, lab: first, mayWrite }: { course: string; lab: Lab; mayWrite: boolean }) {
  const [lab, setLab] = useState(first)
  const [said, setSaid] = useState<{ level: 'good' | 'danger'; words: string }>()
  const write = async (next: Lab) => {
    const before = lab
    setLab(next)
    try {
      await call(`/api/courses/${course}/lab`, 'PUT', next)
      setSaid({ level: 'good', words: 'Written. Every planner follows from now on.' })
    } catch (error) {
      setLab(before)
      setSaid({ level: 'danger', words: (error as Error).message })
    }
  }
  const bounds = pressureBounds[lab.pressure.by]
  return (
    <fieldset className="laboratory" disabled={!mayWrite}>
      <legend className="visually-hidden">How the laboratory works</legend>
      <div role="status">
        {said ? (
          <State level={said.level}>{said.words}</State>
        ) : mayWrite ? (
          ''
        ) : (
          <p className="quiet">Only the course owner changes this.</p>
        )}
      </div>
      <h2 className="section-title">
        Pressure{' '}
        <small>
          {writeNumber(pressureMmHg(lab), 0)} mmHg: water boils at {writeNumber(boilsAt(water, pressureMmHg(lab))!.atC, 1)} °C
        </small>
      </h2>
      <div className="line-editor">
        <label className="half">
          how it is known
          <select
            aria-label="how it is known"
            className="form-select form-select-sm"
            value={lab.pressure.by}
            onChange={(event) => {
              const by = event.currentTarget.value as PressureWay
              const mmHg = pressureMmHg(lab)
              const value = by === 'mmHg' ? Math.round(mmHg) : by === 'kPa' ? Number((mmHg / 7.50062).toFixed(2)) : 0
              void write({ ...lab, pressure: { by, value } })
            }}
          >
            {Object.entries(ways).map(([by, words]) => (
              <option key={by} value={by}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <NumberField
          key={lab.pressure.by}
          label={`${lab.pressure.by === 'altitude' ? 'altitude' : 'pressure'}, ${bounds.unit}`}
          value={lab.pressure.value}
          least={bounds.least - 1e-9}
          most={bounds.most}
          onNumber={(value) => void write({ ...lab, pressure: { ...lab.pressure, value } })}
        />
      </div>
      <h2 className="section-title">
        Where schools differ <small>the first of each is the default; plans keep what was typed in them</small>
      </h2>
      <div className="schools">
        {schools.map(({ setting, question, ways: choices }) => (
          <fieldset key={setting}>
            <legend>{question}</legend>
            {choices.map(({ value, words, why }) => (
              <label key={value}>
                <input
                  type="radio"
                  name={setting}
                  checked={lab[setting] === value}
                  onChange={() => void write({ ...lab, [setting]: value })}
                />
                <span>
                  {words}
                  <small>{why}</small>
                </span>
              </label>
            ))}
          </fieldset>
        ))}
        <fieldset>
          <legend>Simple distillation from</legend>
          <NumberField
            label="boiling points apart by at least, °C"
            value={lab.simpleFromK}
            least={20 - 1e-9}
            most={150}
            onNumber={(simpleFromK) => void write({ ...lab, simpleFromK })}
          />
          <small>one stage parts what boils 70 °C apart; schools say 40 to 80</small>
        </fieldset>
        <fieldset>
          <legend>Benches write after a session for</legend>
          <NumberField
            label="minutes after its end"
            value={lab.graceMin}
            least={-1e-9}
            most={720}
            onNumber={(graceMin) => void write({ ...lab, graceMin })}
          />
          <small>what a tablet wrote down within this time is taken whenever it arrives</small>
        </fieldset>
      </div>
      <h2 className="section-title">
        Melting-point apparatus <small>two standards or more give a line; one shifts the scale</small>
      </h2>
      {lab.instruments.length === 0 && <p className="quiet">None yet: readings are taken as they are.</p>}
      {lab.instruments.map((instrument, index) => (
        <Apparatus
          key={instrument.id}
          instrument={instrument}
          onChange={(changed) =>
            void write({ ...lab, instruments: lab.instruments.map((each, at) => (at === index ? changed : each)) })
          }
          onRemove={() => void write({ ...lab, instruments: lab.instruments.filter((_, at) => at !== index) })}
        />
      ))}
      {mayWrite && (
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() =>
            void write({
              ...lab,
              instruments: [
                ...lab.instruments,
                {
                  id: freeId(lab),
                  name: `Apparatus ${lab.instruments.length + 1}`,
                  checkedOn: new Date().toISOString().slice(0, 10),
                  standards: [],
                },
              ],
            })
          }
        >
          Add an apparatus
        </Button>
      )}
      <Rooms rooms={lab.rooms} mayWrite={mayWrite} onChange={(rooms) => void write({ ...lab, rooms })} />
    </fieldset>
  )
}

const freeId = ({ instruments }: Lab) => {
  let count = instruments.length + 1
  while (instruments.some(({ id }) => id === `apparatus-${count}`)) count++
  return `apparatus-${count}`
}

function Apparatus({
  instrument,
  onChange,
  onRemove,
}: {
  instrument: Instrument
  onChange: (instrument: Instrument) => void
  onRemove: () => void
}) {
  const [fresh, setFresh] = useState({ name: '', trueC: '', readC: '' })
  const [problem, setProblem] = useState<string>()
  const { standards } = instrument
  const line = fitOf(standards)
  const add = () => {
    const [trueC, readC] = [readNumber(fresh.trueC), readNumber(fresh.readC)]
    if (fresh.name.trim() === '') return setProblem('Name the standard, for example benzoic acid.')
    if (!trueC.ok || !readC.ok) return setProblem('Both temperatures are numbers in °C, for example 122.4.')
    setProblem(undefined)
    setFresh({ name: '', trueC: '', readC: '' })
    onChange({
      ...instrument,
      standards: [...standards, { name: fresh.name.trim(), trueC: trueC.value.value, readC: readC.value.value }],
    })
  }
  const field = (key: keyof typeof fresh, label: string) => (
    <input
      className="form-control form-control-sm"
      aria-label={`${label} of a new standard of ${instrument.name}`}
      placeholder={label}
      value={fresh[key]}
      onChange={(event) => setFresh({ ...fresh, [key]: event.currentTarget.value })}
      onKeyDown={(event) => event.key === 'Enter' && add()}
    />
  )
  return (
    <section className="apparatus" aria-label={instrument.name}>
      <div className="line-editor">
        <TextField
          label="apparatus"
          value={instrument.name}
          onText={(name) => name !== '' && onChange({ ...instrument, name })}
        />
        <label>
          checked on
          <input
            type="date"
            className="form-control form-control-sm"
            value={instrument.checkedOn}
            onChange={(event) => event.currentTarget.value && onChange({ ...instrument, checkedOn: event.currentTarget.value })}
          />
        </label>
      </div>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">standard</th>
            <th scope="col" className="n">
              true, °C
            </th>
            <th scope="col" className="n">
              read, °C
            </th>
            <th scope="col" className="n">
              left of the line
            </th>
            <td />
          </tr>
        </thead>
        <tbody>
          {standards.map(({ name, trueC, readC }, index) => (
            <tr key={`${name} ${index}`}>
              <td>{name}</td>
              <td className="n fig">{writeNumber(trueC, 1)}</td>
              <td className="n fig">{writeNumber(readC, 1)}</td>
              <td className="n fig derived">
                {line.ok && line.fit ? `${writeNumber(line.fit.residuals[index]!.residualC, 2)} °C` : '–'}
              </td>
              <td>
                <button
                  type="button"
                  className="plain-x"
                  aria-label={`Take out ${name} of ${instrument.name}`}
                  onClick={() => onChange({ ...instrument, standards: standards.filter((_, at) => at !== index) })}
                >
                  ×
                </button>
              </td>
            </tr>
          ))}
          <tr className="no-print">
            <td>{field('name', 'standard')}</td>
            <td className="n">{field('trueC', 'true, °C')}</td>
            <td className="n">{field('readC', 'read, °C')}</td>
            <td />
            <td>
              <Button size="sm" variant="outline-secondary" onClick={add}>
                Add it
              </Button>
            </td>
          </tr>
        </tbody>
      </table>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <p className="quiet">
        {!line.ok ? (
          <State level="doubt">{line.why}</State>
        ) : line.fit ? (
          `true = ${writeNumber(line.fit.offsetC, 2)} + ${writeNumber(line.fit.slope, 4)} · read, from ${writeNumber(line.fit.fromC, 0)} to ${writeNumber(line.fit.toC, 0)} °C${line.fit.scatterC === null ? '' : `, scatter ${writeNumber(line.fit.scatterC, 2)} °C`}`
        ) : (
          'No standard yet: its readings are taken as they are.'
        )}{' '}
        <button type="button" className="opens" onClick={onRemove}>
          Take this apparatus out
        </button>
      </p>
    </section>
  )
}

function fitOf(standards: readonly Standard[]): { ok: true; fit: ReturnType<typeof calibrationOf> } | { ok: false; why: string } {
  try {
    return { ok: true, fit: calibrationOf(standards) }
  } catch (error) {
    return { ok: false, why: (error as Error).message }
  }
}
