'use client'

import { Button } from 'react-bootstrap'
import { pressureAs, pressureBounds, pressureMmHg, type Lab, type PressureWay } from '@/core/lab/lab'
import { labSchema } from '@/core/lab/labSchema'
import { schools } from '@/core/lab/schools'
import { boilsAt, water } from '@/core/substance/boilsAt'
import { writeNumber } from '@/core/quantity/write'
import { NumberField, TextField } from '../desk/fields'
import { State } from '../figures/State'
import { MineInstead } from '../kept/MineInstead'
import { useWhole } from '../kept/useWhole'
import { Apparatus } from './Apparatus'
import { Rooms } from './Rooms'

const ways: Record<PressureWay, string> = {
  kPa: 'read on the barometer, kPa',
  mmHg: 'read on the barometer, mmHg',
  altitude: 'from the altitude, m',
}

const checkedLab = (value: unknown): Lab => labSchema.validateSync(value, { strict: true })

/** How the laboratory works: its pressure, the school it follows where schools differ, its apparatus with the standards they were checked with. Each change is written at once. */
export function Laboratory({ course, lab: first, mayWrite }: { course: string; lab: Lab; mayWrite: boolean }) {
  const { value: lab, problem, mine, waiting, written, write } = useWhole(`/api/courses/${course}/lab`, first, checkedLab)
  const bounds = pressureBounds[lab.pressure.by]
  return (
    <fieldset className="laboratory" disabled={!mayWrite}>
      <legend className="visually-hidden">How the laboratory works</legend>
      <div role="status">
        {problem ? (
          <State level="danger">
            {problem} <MineInstead mine={mine} write={write} />
          </State>
        ) : written > 0 && !waiting ? (
          <State level="good">Written. Every planner follows from now on.</State>
        ) : (
          !mayWrite && <p className="quiet">Only the course owner changes this.</p>
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
              write({ ...lab, pressure: pressureAs(by, pressureMmHg(lab)) })
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
          label={lab.pressure.by === 'altitude' ? 'altitude' : 'pressure'}
          unit={bounds.unit}
          value={lab.pressure.value}
          least={bounds.least - 1e-9}
          most={bounds.most}
          onNumber={(value) => write({ ...lab, pressure: { ...lab.pressure, value } })}
        />
      </div>
      <h2 className="section-title">
        In an emergency <small>shown first at every bench when something happens</small>
      </h2>
      <div className="line-editor">
        {(
          [
            ['number', 'emergency number, as it is dialled here'],
            ['eyewash', 'where the eyewash is'],
            ['firstAid', 'where first aid is'],
          ] as const
        ).map(([key, label]) => (
          <TextField
            key={key}
            label={label}
            width="half"
            value={lab.emergency[key]}
            onText={(text) => write({ ...lab, emergency: { ...lab.emergency, [key]: text.slice(0, 120) } })}
          />
        ))}
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
                  onChange={() => write({ ...lab, [setting]: value })}
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
            label="boiling points apart by at least"
            unit="°C"
            value={lab.simpleFromK}
            least={20 - 1e-9}
            most={150}
            onNumber={(simpleFromK) => write({ ...lab, simpleFromK })}
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
            onNumber={(graceMin) => write({ ...lab, graceMin })}
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
            write({ ...lab, instruments: lab.instruments.map((each, at) => (at === index ? changed : each)) })
          }
          onRemove={() => write({ ...lab, instruments: lab.instruments.filter((_, at) => at !== index) })}
        />
      ))}
      {mayWrite && (
        <Button
          variant="outline-secondary"
          size="sm"
          onClick={() =>
            write({
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
      <Rooms rooms={lab.rooms} mayWrite={mayWrite} onChange={(rooms) => write({ ...lab, rooms })} />
    </fieldset>
  )
}

const freeId = ({ instruments }: Lab) => {
  let count = instruments.length + 1
  while (instruments.some(({ id }) => id === `apparatus-${count}`)) count++
  return `apparatus-${count}`
}
