'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { StoresRecord } from '@/core/stores/record'
import { readFigure } from '@/core/quantity/readQuantity'
import { Problem } from '../course/Problem'
import type { Refused } from '../course/refusalOf'
import type { StoresSessionView } from '@/views/stores'

interface Props {
  records: readonly StoresRecord[]
  groups: StoresSessionView['groups']
  onWrite: ((name: string, body: object) => Promise<boolean>) | undefined
}

const isTare = (record: StoresRecord): record is StoresRecord<'tare'> => record.kind === 'tare'

/** Vials that are weighed before the session, with or without their cap: at its step the bench finds the figure to take over. */
export function WeighedVials({ records, groups, onWrite }: Props) {
  const vials = records.filter(isTare).filter(({ body }) => !body.gone)
  const names = records
    .filter(isTare)
    .map(({ item }) => Number(item))
    .filter(Number.isFinite)
  const next = String(Math.max(0, ...names) + 1)
  const [mass, setMass] = useState('')
  const [capped, setCapped] = useState(true)
  const [bench, setBench] = useState('')
  const [problem, setProblem] = useState<Refused>()
  if (!onWrite && vials.length === 0) return null
  const submit = async () => {
    const read = readFigure(mass, 'g')
    if (!read.ok || read.value.value <= 0)
      return setProblem({ words: 'Write what the balance shows in grams, for example 12.345.', field: 'grams' })
    setProblem(undefined)
    const body = {
      massG: read.value.value,
      decimals: Math.min(5, read.value.decimals),
      capped,
      bench: bench === '' ? null : Number(bench),
    }
    if (await onWrite!(next, body)) setMass('')
  }
  return (
    <section aria-label="Vials weighed beforehand">
      <h2 className="section-title">Vials weighed beforehand</h2>
      <ul className="set-list things">
        {vials.map(({ item, body, by }) => (
          <li key={item}>
            <span className="what">Vial {item}</span>
            <span className="fig">
              {body.massG.toFixed(body.decimals)} g, {body.capped ? 'with cap' : 'without cap'}
            </span>
            <span className="quiet">
              {body.bench === null ? 'for any bench' : `for bench ${body.bench}`}, {by}{' '}
              {onWrite && (
                <Button
                  variant="quiet"
                  size="sm"
                  aria-label={`Take out vial ${item}`}
                  onClick={() => void onWrite(item, { ...body, gone: true })}
                >
                  Take out
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {onWrite && (
        <form
          className="came-back no-print"
          onSubmit={(event) => {
            event.preventDefault()
            void submit()
          }}
        >
          <label>
            vial {next} weighs, g
            <input
              className="form-control form-control-sm"
              inputMode="decimal"
              name="grams"
              aria-label={`vial ${next} weighs, g`}
              value={mass}
              onChange={(event) => setMass(event.currentTarget.value)}
            />
          </label>
          <label>
            for
            <select
              className="form-select form-select-sm"
              aria-label="for which bench"
              value={bench}
              onChange={(event) => setBench(event.currentTarget.value)}
            >
              <option value="">any bench</option>
              {groups.map((group) => (
                <option key={group.bench} value={group.bench}>
                  bench {group.bench}
                </option>
              ))}
            </select>
          </label>
          <label className="tick">
            <input
              type="checkbox"
              className="form-check-input"
              checked={capped}
              onChange={(event) => setCapped(event.currentTarget.checked)}
            />{' '}
            with cap
          </label>
          <Button type="submit" variant="quiet" size="sm">
            Write it down
          </Button>
          <Problem words={problem?.words} field={problem?.field} />
        </form>
      )}
    </section>
  )
}
