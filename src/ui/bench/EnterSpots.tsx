import { useState } from 'react'
import { mostSpots, writeRetention } from '@/core/measurements/spots'
import { readNumber } from '@/core/quantity/readQuantity'
import { PlatePicture } from './PlatePicture'
import type { Write } from './write'

/** A plate: how far the front went, and each spot with what it is of. */
export function EnterSpots({ step, write }: { step: string; write: Write }) {
  const [front, setFront] = useState('')
  const [rows, setRows] = useState([{ of: '', mm: '' }])
  const [problem, setProblem] = useState<string>()
  const put = (index: number, part: Partial<(typeof rows)[number]>) =>
    setRows(rows.map((row, at) => (at === index ? { ...row, ...part } : row)))
  const frontMM = number(front)
  const take = () => {
    if (frontMM === null || frontMM <= 0) return setProblem('Front: type how far it went in mm, for example 62.')
    const spots = rows
      .filter(({ of, mm }) => of.trim() !== '' || mm.trim() !== '')
      .map(({ of, mm }) => ({ of: of.trim(), mm: number(mm) }))
    if (spots.length === 0) return setProblem('No spot is entered. Type what it is of and how far it went.')
    const wrong = spots.find(({ of, mm }) => of === '' || mm === null || mm < 0 || mm > frontMM)
    if (wrong)
      return setProblem(
        `“${wrong.of || 'A spot without a name'}”: say what it is of and how far it went, from 0 to ${frontMM} mm, which is the front.`,
      )
    write('spots', step, { frontMM, spots: spots.map(({ of, mm }) => ({ of, mm: mm! })) })
  }
  return (
    <>
      <PlatePicture
        frontMM={frontMM}
        spots={rows.map(({ of, mm }) => ({ of, mm: number(mm) }))}
        onFront={(mm) => setFront(String(mm))}
        onSpot={(mm) => {
          const empty = rows.findIndex((row) => row.mm.trim() === '')
          if (empty >= 0) put(empty, { mm: String(mm) })
          else if (rows.length < mostSpots) setRows([...rows, { of: '', mm: String(mm) }])
        }}
      />
      <div className="plate">
        <label>
          front, mm
          <input className="reason" inputMode="decimal" value={front} onChange={(event) => setFront(event.currentTarget.value)} />
        </label>
        {rows.map((row, index) => {
          const mm = number(row.mm)
          return (
            <div key={index} className="spot">
              <input
                className="reason"
                aria-label={`Spot ${index + 1}: what it is of`}
                placeholder="crude, product, …"
                maxLength={60}
                value={row.of}
                onChange={(event) => put(index, { of: event.currentTarget.value })}
              />
              <input
                className="reason"
                aria-label={`Spot ${index + 1}: mm from the start`}
                placeholder="mm"
                inputMode="decimal"
                value={row.mm}
                onChange={(event) => put(index, { mm: event.currentTarget.value })}
              />
              <span className="fig">{mm !== null && frontMM ? writeRetention(mm, frontMM) : ''}</span>
            </div>
          )
        })}
      </div>
      {rows.length < mostSpots && (
        <button type="button" className="plain" onClick={() => setRows([...rows, { of: '', mm: '' }])}>
          One more spot
        </button>
      )}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={take}>
        Write it down
      </button>
    </>
  )
}

function number(text: string): number | null {
  const read = readNumber(text)
  return read.ok ? read.value.value : null
}
