'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { StoresRecord } from '@/core/stores/record'
import type { Thing } from '@/core/stores/things'
import { NumberField } from '../desk/fields'
import { clockTime } from '../time'
import { amountText } from './amount'
import { ByBench } from './ByBench'
import { SetLine } from './SetLine'
import type { SetRow } from '@/core/stores/setRow'
import type { SettingOutView } from '@/views/stores'
import { recordOf, useRecords } from './useRecords'
import { useRefresh } from './useRefresh'
import { WeighedVials } from './WeighedVials'

interface Props {
  view: SettingOutView
  mayWrite: boolean
  who: string
}

/** What is weighed, made up and laid out for a session, ticked off by whoever does it. What cannot be ready stands first. */
export function SettingOut({ view, mayWrite, who }: Props) {
  const { session, rows, things, unsaid } = view
  const router = useRouter()
  const { records, write, problem } = useRecords(session.id, view.records, who)
  const [byBench, setByBench] = useState(false)
  // A scale, a group or a bottle that is changed elsewhere changes what is set out here.
  useRefresh(20_000, true)
  const printed = recordOf(records, 'printed', '')
  const changed = printed ? rows.filter(({ item, issue }) => wasPrinted(printed, item) !== issue) : []
  const urgent = rows.filter((row) => row.short > 0 || row.not.length > 0 || row.unknown)
  const solutions = rows.filter((row) => !urgent.includes(row) && row.solution)
  const substances = rows.filter((row) => !urgent.includes(row) && !row.solution)
  const parts: [string, SetRow[]][] = [
    ['Short, or not to be used', urgent],
    ['Solutions', solutions],
    ['Substances', substances],
  ]
  const done = (item: string) => recordOf(records, 'tick', item)?.body.done === true
  const items = [...rows.filter(({ madeIn }) => madeIn === null).map(({ item }) => item), ...things.map(thingItem)]
  const print = async () => {
    if (mayWrite) await write('printed', '', { issues: rows.map(({ item, issue }) => ({ item, issue })) })
    window.print()
  }
  return (
    <>
      <div className="set-tools">
        <span role="status">
          <b className="fig">{items.filter(done).length}</b> of <span className="fig">{items.length}</span> set out
        </span>
        {mayWrite && (
          <NumberField
            label="spare"
            unit="%"
            value={Math.round(100 * spareOf(records, view.spare))}
            least={-1}
            most={100}
            onNumber={(percent) => {
              void write('spare', '', { share: percent / 100 }).then((ok) => ok && router.refresh())
            }}
          />
        )}
        <Button variant="quiet" size="sm" aria-pressed={byBench} onClick={() => setByBench(!byBench)}>
          {byBench ? 'All benches together' : 'Bench by bench'}
        </Button>
        <Button variant="quiet" size="sm" onClick={() => void print()}>
          Print
        </Button>
      </div>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      {unsaid.length > 0 && (
        <p className="problem">
          The plan does not say how much: {unsaid.map(({ name }) => name).join(', ')}. Ask for it at the Desk.
        </p>
      )}
      {changed.length > 0 && printed && (
        <p className="list-changed" role="status">
          Changed since {printed.by} printed it at {clockTime(printed.at, session.zone)}:{' '}
          {changed.map(({ name }) => name).join(', ')}.
        </p>
      )}
      {byBench ? (
        <ByBench rows={rows} things={things} groups={session.groups} />
      ) : (
        <>
          {parts
            .filter(([, of]) => of.length > 0)
            .map(([title, of]) => (
              <section key={title} aria-label={title}>
                <h2 className="section-title">{title}</h2>
                <ul className="set-list">
                  {of.map((row) => (
                    <SetLine
                      key={row.item}
                      row={row}
                      zone={session.zone}
                      tick={recordOf(records, 'tick', row.item)}
                      was={printed ? wasPrinted(printed, row.item) : undefined}
                      onTick={
                        mayWrite && row.madeIn === null
                          ? (yes) =>
                              void write('tick', row.item, {
                                done: yes,
                                issue: row.issue,
                                unit: row.unit,
                                from: row.tap
                                  ? []
                                  : row.from.map(({ id: bottle, take, perUnit }) => ({
                                      bottle,
                                      take: Number((take * perUnit).toPrecision(12)),
                                    })),
                              })
                          : undefined
                      }
                    />
                  ))}
                </ul>
              </section>
            ))}
          <WeighedVials
            records={records}
            groups={session.groups}
            onWrite={mayWrite ? (name, body) => write('tare', name, body) : undefined}
          />
          <Things
            things={things}
            records={records}
            zone={session.zone}
            onTick={
              mayWrite
                ? (thing, yes) =>
                    void write('tick', thingItem(thing), { done: yes, issue: thing.all ?? 0, unit: thing.unit, from: [] })
                : undefined
            }
          />
        </>
      )}
    </>
  )
}

const thingItem = ({ kind, name }: Thing) => `thing ${kind} ${name}`

const wasPrinted = (printed: StoresRecord<'printed'>, item: string) =>
  printed.body.issues.find((each) => each.item === item)?.issue

const spareOf = (records: readonly StoresRecord[], usual: number) => recordOf(records, 'spare', '')?.body.share ?? usual

const kinds: [Thing['kind'], string][] = [
  ['used up', 'Used up'],
  ['each bench', 'For each bench'],
  ['shared', 'Shared in the room'],
]

function Things({
  things,
  records,
  zone,
  onTick,
}: {
  things: readonly Thing[]
  records: readonly StoresRecord[]
  zone: string
  onTick: ((thing: Thing, done: boolean) => void) | undefined
}) {
  return (
    <>
      {kinds.map(([kind, title]) => {
        const of = things.filter((thing) => thing.kind === kind)
        if (of.length === 0) return null
        return (
          <section key={kind} aria-label={title}>
            <h2 className="section-title">{title}</h2>
            <ul className="set-list things">
              {of.map((thing) => {
                const tick = recordOf(records, 'tick', thingItem(thing))
                return (
                  <li key={thing.name} className={tick?.body.done ? 'is-set' : undefined}>
                    <label>
                      <input
                        type="checkbox"
                        className="form-check-input"
                        checked={tick?.body.done === true}
                        disabled={!onTick}
                        onChange={(event) => onTick?.(thing, event.currentTarget.checked)}
                      />
                      <span className="what">{thing.name}</span>
                    </label>
                    <span className="fig">
                      {thing.all === null ? 'nobody has counted them' : amountText(thing.all, thing.unit)}
                      {thing.each !== null && <small className="quiet"> {amountText(thing.each, thing.unit)} each</small>}
                    </span>
                    <span className="quiet">
                      {tick?.body.done ? `${tick.by}, ${clockTime(tick.at, zone)}` : thing.from === 'usual' ? 'as is usual' : ''}
                    </span>
                  </li>
                )
              })}
            </ul>
          </section>
        )
      })}
    </>
  )
}
