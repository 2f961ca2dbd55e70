'use client'

import { useState } from 'react'
import { Button, Form } from 'react-bootstrap'
import { readFigure, readNumber } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { byInternalStandard } from '@/core/traces/composition'
import { composition, type Named } from '@/core/traces/report'
import { significant } from '@/core/result/arithmetic/significant'

interface Props {
  /** The name of the file that they are of. */
  file: string
  peaks: readonly { at: number; area: number; shared?: boolean }[]
  named: Named[]
  /** Names to choose from: what is in the plan. */
  names: readonly string[]
  product: string
  mayName: boolean
  onNamed: (named: Named[]) => void
  /** Writes the purity of the product for the bench; null where the file has none. */
  onPurity: ((percent: number) => void) | null
}

/** Peaks with their areas: who each is, how strongly it is shown, which are left out; parts of the whole, and an amount by an internal standard. */
export function PeakTable({ file, peaks, named, names, product, mayName, onNamed, onPurity }: Props) {
  const rows = composition(peaks, named)
  const [standard, setStandard] = useState({ peak: '', mg: '' })
  const set = (index: number, part: Partial<Named>) =>
    onNamed(rows.map(({ name, response, left }, at) => ({ name, response, left, ...(at === index ? part : {}) })))
  const own = rows.filter(({ name, percent }) => name === product && percent !== null)
  const purity = own.length > 0 ? own.reduce((sum, { percent }) => sum + percent!, 0) : null
  const mg = readFigure(standard.mg, 'mg')
  const reference = rows[Number(standard.peak) - 1]
  const masses =
    mg.ok && reference && reference.area > 0
      ? rows.map(({ area, response }) =>
          byInternalStandard({
            areaStandard: reference.area,
            standardMg: mg.value.value,
            area,
            response: response / reference.response,
          }),
        )
      : null
  return (
    <>
      <div className="board-scroll" tabIndex={0} role="region" aria-label={`Peaks of ${file}`}>
        <table className="ruled peaks">
          <thead>
            <tr>
              <th scope="col">peak</th>
              <th scope="col" className="n">
                at, min
              </th>
              <th scope="col" className="n">
                area
              </th>
              <th scope="col">is</th>
              <th scope="col">response</th>
              <th scope="col">left out</th>
              <th scope="col" className="n">
                part, %
              </th>
              {masses && (
                <th scope="col" className="n">
                  mg
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ at, area, name, response, left, percent }, index) => (
              <tr key={`${index} ${at}`}>
                <th scope="row" className="number">
                  {index + 1}
                  {peaks[index]!.shared && <small className="quiet"> overlaps</small>}
                </th>
                <td className="n fig">{writeNumber(at, 2)}</td>
                <td className="n fig">{significant(area)}</td>
                <td>
                  {mayName ? (
                    <Form.Select
                      aria-label={`What peak ${index + 1} is`}
                      value={name}
                      onChange={(event) => set(index, { name: event.currentTarget.value })}
                    >
                      <option value="">not named</option>
                      {[...new Set([...names, ...(name ? [name] : [])])].map((each) => (
                        <option key={each}>{each}</option>
                      ))}
                    </Form.Select>
                  ) : (
                    name || 'not named'
                  )}
                </td>
                <td>
                  {mayName ? (
                    <Form.Control
                      aria-label={`Response of peak ${index + 1}`}
                      inputMode="decimal"
                      defaultValue={String(response)}
                      onBlur={(event) => {
                        const read = readNumber(event.currentTarget.value)
                        if (read.ok && read.value.value > 0) set(index, { response: read.value.value })
                        else event.currentTarget.value = String(response)
                      }}
                    />
                  ) : (
                    response
                  )}
                </td>
                <td>
                  <Form.Check
                    aria-label={`Peak ${index + 1} is left out`}
                    checked={left}
                    disabled={!mayName}
                    onChange={(event) => set(index, { left: event.currentTarget.checked })}
                  />
                </td>
                <td className="n fig">{percent === null ? '–' : writeNumber(percent, 1)}</td>
                {masses && <td className="n fig">{significant(masses[index]!)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="quiet">
        w = (A ÷ f) ÷ Σ(A ÷ f), with f the response to the mass; 1 where nobody has measured it. What no detector shows is in no
        peak.
      </p>
      <div className="standard no-print">
        <label>
          internal standard is peak
          <Form.Select value={standard.peak} onChange={(event) => setStandard({ ...standard, peak: event.currentTarget.value })}>
            <option value="">none</option>
            {rows.map((_, index) => (
              <option key={index}>{index + 1}</option>
            ))}
          </Form.Select>
        </label>
        <label>
          of it, mg
          <Form.Control
            inputMode="decimal"
            value={standard.mg}
            onChange={(event) => setStandard({ ...standard, mg: event.currentTarget.value })}
          />
        </label>
        {purity !== null && (
          <p>
            {product}: <b className="fig">{writeNumber(purity, 1)} %</b>{' '}
            {onPurity && (
              <Button variant="quiet" onClick={() => onPurity(Number(purity.toFixed(1)))}>
                Write this purity for the bench
              </Button>
            )}
          </p>
        )}
      </div>
    </>
  )
}
