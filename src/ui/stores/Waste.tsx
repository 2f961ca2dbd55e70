'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { StoresRecord } from '@/core/stores/record'
import { writeNumber } from '@/core/quantity/write'
import { readFigure } from '@/core/quantity/readQuantity'
import { call } from '../call'
import { State } from '../figures/State'
import { clockTime } from '../time'
import { amountText } from './amount'
import { useRefresh } from './useRefresh'

export interface WasteShown {
  stream: string
  liquidML: number
  solidG: number
  least: boolean
  holds: string[]
  neutralise: { left: 'acid' | 'base'; mmol: number; bicarbonateG: number | null } | null
  quenchMmol: number | null
  never: { what: string; happens: string }[]
  place: string | null
  sizeL: number
  count: number
  soFarL: number
  call: boolean
  heed: string | null
  back: StoresRecord<'waste'> | null
}

interface Props {
  session: string
  zone: string
  rows: WasteShown[]
  mayWrite: boolean
  /** True while the benches are at work: then the containers fill. */
  on: boolean
}

/** The containers of a session: what comes in, where they stand, how full they are by now, what must not meet in them, and what came back. */
export function Waste({ session, zone, rows: first, mayWrite, on }: Props) {
  const [written, setWritten] = useState<Record<string, StoresRecord<'waste'>>>({})
  const rows = first.map((row) => ({ ...row, back: written[row.stream] ?? row.back }))
  useRefresh(20_000, on)
  const [problem, setProblem] = useState<string>()
  const write = async (stream: string, litres: number, note: string) => {
    setProblem(undefined)
    try {
      const { records } = await call<{ records: StoresRecord[] }>(`/api/sessions/${session}/stores`, 'POST', {
        kind: 'waste',
        item: stream,
        body: { litres, note },
      })
      const back = records.find((each): each is StoresRecord<'waste'> => each.kind === 'waste' && each.item === stream)
      if (back) setWritten((all) => ({ ...all, [stream]: back }))
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <ul className="waste-list">
        {rows.map((row) => (
          <li key={row.stream} aria-label={`Container: ${row.stream}`}>
            <Vessel row={row} />
            <div>
              <h2>{row.stream}</h2>
              <p>
                {row.least && row.liquidML + row.solidG > 0 && 'At least '}
                {row.liquidML > 0 && <b className="fig">{amountText(row.liquidML, 'mL')}</b>}
                {row.liquidML > 0 && row.solidG > 0 && ' and '}
                {row.solidG > 0 && <b className="fig">{amountText(row.solidG, 'g')}</b>}
                {row.liquidML + row.solidG === 0 ? 'Nothing that the plan has left belongs here.' : ' expected from all benches'}
                {row.holds.length > 0 && <span className="quiet">: {row.holds.join(', ')}</span>}
              </p>
              <p>
                {row.count} × {row.sizeL} L, {row.stream === 'solid' ? 'tub with a lid' : 'bottle or can for liquids'},{' '}
                {row.place ? row.place : <span className="doubt">nobody has said where it stands in this room</span>}
              </p>
              {row.neutralise && (
                <p>
                  Before it goes in: about <span className="fig">{writeNumber(row.neutralise.mmol, 0)} mmol</span> of{' '}
                  {row.neutralise.left}
                  {row.neutralise.bicarbonateG === null
                    ? ', to be neutralised as local rules say.'
                    : `, met by ${amountText(row.neutralise.bicarbonateG, 'g')} of sodium bicarbonate in small portions; gas comes off, the vessel stays open.`}
                </p>
              )}
              {row.quenchMmol !== null && row.quenchMmol > 0 && (
                <p>
                  Destroyed first, in a step of its own: <span className="fig">{writeNumber(row.quenchMmol, 0)} mmol</span> of{' '}
                  {row.holds.join(', ')}.
                </p>
              )}
              {row.heed && <p className="caution-words">{row.heed}</p>}
              {row.never.length > 0 && (
                <details>
                  <summary>Never into it: {row.never.map(({ what }) => what).join(', ')}</summary>
                  <ul>
                    {row.never.map(({ what, happens }) => (
                      <li key={what}>
                        <b>{what}</b>: {happens}
                      </li>
                    ))}
                  </ul>
                </details>
              )}
              {row.call && <State level="danger">Three quarters full by the log: have the next one ready</State>}
              {row.back && (
                <p className="quiet">
                  Came back: {row.back.body.litres} L{row.back.body.note && `, ${row.back.body.note}`} ({row.back.by},{' '}
                  {clockTime(row.back.at, zone)})
                </p>
              )}
              {mayWrite && (
                <CameBack
                  key={row.back?.at}
                  stream={row.stream}
                  onWrite={(litres, note) => void write(row.stream, litres, note)}
                />
              )}
            </div>
          </li>
        ))}
      </ul>
    </>
  )
}

/** How full it is: what the log says is in it, and what is expected, against what the containers hold. */
function Vessel({ row }: { row: WasteShown }) {
  const holds = row.sizeL * row.count
  const part = (litres: number) => Math.min(1, litres / holds)
  const expected = part((row.liquidML + row.solidG) / 1000)
  const top = (share: number) => 76 - 68 * share
  return (
    <svg viewBox="0 0 60 96" className="waste-vessel" role="img" aria-label={`${row.soFarL.toFixed(2)} of ${holds} L by now`}>
      <path d="M10 8V80H50V8" className="wall" />
      <rect x="11" width="38" y={top(part(row.soFarL)) + 4} height={80 - (top(part(row.soFarL)) + 4)} className="filled" />
      <line x1="6" x2="54" y1={top(expected) + 4} y2={top(expected) + 4} className="expected" />
      <text x="30" y="93" textAnchor="middle">
        {row.soFarL < 0.1 && row.soFarL > 0 ? `${Math.round(1000 * row.soFarL)} mL` : `${row.soFarL.toFixed(1)} L`}
      </text>
    </svg>
  )
}

function CameBack({ stream, onWrite }: { stream: string; onWrite: (litres: number, note: string) => void }) {
  const [litres, setLitres] = useState('')
  const [note, setNote] = useState('')
  const [problem, setProblem] = useState<string>()
  return (
    <form
      className="came-back no-print"
      onSubmit={(event) => {
        event.preventDefault()
        const read = readFigure(litres, 'L')
        if (!read.ok || read.value.value < 0) return setProblem('Write how many litres came back, for example 1.8.')
        setProblem(undefined)
        onWrite(read.value.value, note.trim())
      }}
    >
      <label>
        came back, L
        <input
          className="form-control form-control-sm"
          aria-label={`came back of ${stream}, L`}
          value={litres}
          onChange={(event) => setLitres(event.currentTarget.value)}
        />
      </label>
      <label>
        note
        <input
          className="form-control form-control-sm"
          aria-label={`note about ${stream}`}
          maxLength={400}
          value={note}
          onChange={(event) => setNote(event.currentTarget.value)}
        />
      </label>
      <Button type="submit" variant="quiet" size="sm">
        Write it down
      </Button>
      {problem && (
        <span className="problem" role="alert">
          {problem}
        </span>
      )}
    </form>
  )
}
