import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Instrument } from '@/core/lab/lab'
import { calibrationOf, type Standard } from '@/core/operations/melt/calibration'
import { readFigure } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { TextField } from '../desk/fields'
import { State } from '../figures/State'
import { DateField } from '../typed/DateField'

/** A melting-point apparatus: when it was checked, the standards it was checked with, and the line through them. */
export function Apparatus({
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
    const [trueC, readC] = [readFigure(fresh.trueC, '°C'), readFigure(fresh.readC, '°C')]
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
        <DateField
          label="checked on"
          value={instrument.checkedOn}
          needed
          onDay={(checkedOn) => onChange({ ...instrument, checkedOn })}
        />
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
