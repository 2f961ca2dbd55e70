'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Bottle, BottleAbout } from '@/core/stores/bottle'
import { readFigure } from '@/core/quantity/readQuantity'
import { NumberField, TextField } from '../desk/fields'
import { DateField } from '../typed/DateField'

interface Props {
  bottle: Bottle
  /** By the laboratory’s calendar, 2026-12-01. */
  today: string
  onAbout: (about: BottleAbout) => void
  onMove: (kind: (typeof ways)[number][0], by: number, reason: string) => Promise<boolean>
}

/** What may be done with what is in a bottle: its words, and by how much it becomes more for what was typed. */
const ways = [
  ['charged', 'used', (typed: number) => -typed],
  ['distilled', 'distilled first, recovered', (typed: number, left: number) => typed - left],
  ['thrown away', 'thrown away', (typed: number) => -typed],
  ['filled', 'filled up by', (typed: number) => typed],
  ['counted', 'counted again, left', (typed: number, left: number) => typed - left],
] as const

/** What cannot be taken back by itself is written down with a reason. */
const needsReason = ['counted', 'thrown away']

/** What the label of a bottle says, and what was done with what is in it. */
export function BottleLabel({ bottle, today, onAbout, onMove }: Props) {
  const { lot, openedOn, expiresOn, peroxideTestBy, standard } = bottle
  const about: BottleAbout = {
    ...(lot ? { lot } : {}),
    ...(openedOn ? { openedOn } : {}),
    ...(expiresOn ? { expiresOn } : {}),
    ...(peroxideTestBy ? { peroxideTestBy } : {}),
    ...(standard ? { standard } : {}),
  }
  const put = (key: keyof BottleAbout, value: unknown) => {
    const { [key]: _before, ...rest } = about
    onAbout(value === '' || value === undefined ? rest : { ...rest, [key]: value })
  }
  const day = (key: 'openedOn' | 'expiresOn' | 'peroxideTestBy', label: string) => (
    <DateField
      label={label}
      of={bottle.substance}
      value={bottle[key] ?? ''}
      today={key === 'openedOn' ? today : undefined}
      onDay={(text) => put(key, text)}
    />
  )
  const [kind, setKind] = useState<(typeof ways)[number][0]>('charged')
  const [by, setBy] = useState('')
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<string>()
  const move = async () => {
    const read = readFigure(by, bottle.left.unit)
    if (!read.ok || read.value.value < 0) return setProblem(`Write how many ${bottle.left.unit}, for example 25.`)
    if (needsReason.includes(kind) && reason.trim() === '') return setProblem('Say why, for example: spilt.')
    const change = ways.find(([each]) => each === kind)![2](read.value.value, bottle.left.value)
    if (kind === 'distilled' && change > 0)
      return setProblem(`Only ${bottle.left.value} ${bottle.left.unit} were in it: no more can be recovered.`)
    setProblem(undefined)
    if (await onMove(kind, Number(change.toPrecision(12)), reason.trim())) {
      setBy('')
      setReason('')
    }
  }
  return (
    <div className="bottle-label">
      <div className="line-editor">
        <TextField label="lot" value={lot ?? ''} onText={(text) => put('lot', text)} />
        {day('openedOn', 'opened on')}
        {day('expiresOn', 'expires on')}
        {day('peroxideTestBy', 'peroxide test due')}
        {bottle.form.kind === 'solution' && (
          <>
            <NumberField
              label="titre"
              unit="mol/L"
              value={standard?.molPerL ?? 0}
              most={30}
              onNumber={(molPerL) => put('standard', { molPerL, on: standard?.on ?? today })}
              onEmpty={() => put('standard', undefined)}
            />
            {standard && (
              <DateField
                label="found on"
                of={bottle.substance}
                value={standard.on}
                needed
                onDay={(on) => put('standard', { ...standard, on })}
              />
            )}
          </>
        )}
      </div>
      <div className="line-editor">
        <label>
          what was done
          <select
            className="form-select form-select-sm"
            aria-label={`what was done with ${bottle.substance}`}
            value={kind}
            onChange={(event) => setKind(event.currentTarget.value as typeof kind)}
          >
            {ways.map(([each, words]) => (
              <option key={each} value={each}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <label>
          {bottle.left.unit}
          <input
            className="form-control form-control-sm"
            aria-label={`how many ${bottle.left.unit} of ${bottle.substance}`}
            value={by}
            onChange={(event) => setBy(event.currentTarget.value)}
          />
        </label>
        <label>
          why
          <input
            className="form-control form-control-sm"
            maxLength={200}
            value={reason}
            onChange={(event) => setReason(event.currentTarget.value)}
          />
        </label>
        <Button variant="quiet" size="sm" onClick={() => void move()}>
          Write it down
        </Button>
      </div>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
    </div>
  )
}
