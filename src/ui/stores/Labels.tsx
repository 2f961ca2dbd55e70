'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { labelSheets, placesOn } from '@/core/stores/labelSheet'
import { NumberField, TextField } from '../desk/fields'
import { LabelFace, type LabelShown } from './LabelFace'

/** Kinds of labels in the order in which they are offered, with which of them are chosen at first. */
const kinds: [LabelShown['kind'], string, boolean][] = [
  ['substance', 'Substances', true],
  ['solution', 'Solutions', true],
  ['waste', 'Waste containers', true],
  ['sample', 'Samples of the benches', false],
]

interface Props {
  labels: (LabelShown & { copies: number })[]
  day: string
  origin: string
  initials: string
}

/** Which labels, how many of each, on which sheet, from which place on; below, the sheets as they are printed. */
export function Labels({ labels, day, origin, initials: first }: Props) {
  const [chosen, setChosen] = useState<Record<string, number>>(() =>
    Object.fromEntries(labels.map(({ key, kind, copies }) => [key, kinds.find(([each]) => each === kind)![2] ? copies : 0])),
  )
  const [sheetId, setSheet] = useState('a4-14')
  const [from, setFrom] = useState(1)
  const [colour, setColour] = useState(true)
  const [initials, setInitials] = useState(first)
  const sheet = labelSheets.find(({ id }) => id === sheetId)!
  const last = sheet.across * sheet.down
  const printed = labels.flatMap((label) => Array.from({ length: chosen[label.key] ?? 0 }, () => label))
  const places = placesOn(sheet, printed.length, Math.min(from, last))
  const pages = places.length === 0 ? 0 : places.at(-1)!.page + 1
  const put = (key: string, many: number) => setChosen((all) => ({ ...all, [key]: many }))
  return (
    <>
      <div className="set-tools no-print">
        <label>
          sheet
          <select
            className="form-select form-select-sm"
            aria-label="sheet"
            value={sheetId}
            onChange={(event) => setSheet(event.currentTarget.value)}
          >
            {labelSheets.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <NumberField
          label="first free place"
          value={from}
          least={0}
          most={last}
          onNumber={(place) => setFrom(Math.round(place))}
        />
        <TextField label="initials" value={initials} onText={setInitials} />
        <label className="tick">
          <input
            type="checkbox"
            className="form-check-input"
            checked={colour}
            onChange={(event) => setColour(event.currentTarget.checked)}
          />
          in colour
        </label>
        <Button variant="primary" size="sm" disabled={printed.length === 0} onClick={() => window.print()}>
          Print {printed.length} {printed.length === 1 ? 'label' : 'labels'}
        </Button>
      </div>
      <div className="label-choice no-print">
        {kinds.map(([kind, title]) => {
          const of = labels.filter((label) => label.kind === kind)
          return (
            of.length > 0 && (
              <fieldset key={kind}>
                <legend>
                  {title}{' '}
                  <Button variant="quiet" size="sm" onClick={() => of.forEach(({ key }) => put(key, 1))}>
                    all
                  </Button>
                  <Button variant="quiet" size="sm" onClick={() => of.forEach(({ key }) => put(key, 0))}>
                    none
                  </Button>
                </legend>
                {of.map(({ key, name, detail }) => (
                  <label key={key}>
                    <input
                      type="number"
                      min={0}
                      max={99}
                      className="form-control form-control-sm"
                      aria-label={`labels of ${detail && kind !== 'waste' ? `${detail} ` : ''}${name}`}
                      value={chosen[key] ?? 0}
                      onChange={(event) =>
                        put(key, Math.min(99, Math.max(0, Math.floor(Number(event.currentTarget.value) || 0))))
                      }
                    />
                    <span>
                      {name} {kind !== 'waste' && <small className="quiet">{detail}</small>}
                    </span>
                  </label>
                ))}
              </fieldset>
            )
          )
        })}
      </div>
      {pages === 0 && <p className="no-print">No label is chosen.</p>}
      <div className="label-pages" data-colour={colour} tabIndex={0} role="region" aria-label="Label sheets">
        {Array.from({ length: pages }, (_each, page) => (
          <div key={page} className={`label-page ${sheet.paper.toLowerCase()}`} role="group" aria-label={`Sheet ${page + 1}`}>
            {printed.map(
              (label, index) =>
                places[index]!.page === page && (
                  <LabelFace
                    key={index}
                    label={label}
                    day={day}
                    initials={initials}
                    link={`${origin}${label.path}`}
                    at={{ ...places[index]!, widthMM: sheet.widthMM, heightMM: sheet.heightMM }}
                  />
                ),
            )}
          </div>
        ))}
      </div>
    </>
  )
}
