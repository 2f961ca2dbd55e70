'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { writeQuantity } from '@/core/quantity/write'
import type { Bottle } from '@/core/stores/bottle'
import { call } from '../call'
import { formText } from '../figures/formText'
import { clockTime, longDay } from '../time'
import { AddBottle } from './AddBottle'
import { BottleLabel } from './BottleLabel'
import { LeftField } from './LeftField'

/** A bottle, how many groups it serves in each published preparation, and what speaks against using it today. */
type ServingBottle = Bottle & { serves: { title: string; groups: number }[]; against: string[] }

interface Props {
  course: string
  bottles: ServingBottle[]
  /** Titles of published plans that cannot be read, and so are not counted. */
  unreadable: string[]
  mayWrite: boolean
  zone: string
  /** By the laboratory’s calendar, 2026-12-01. */
  today: string
}

/** What stands on the shelf, how much is left of it, and how many groups that serves in each preparation. */
export function Shelf({ course, bottles, unreadable, mayWrite, zone, today }: Props) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const send = async (work: () => Promise<unknown>) => {
    setProblem(undefined)
    try {
      await work()
      router.refresh()
      return true
    } catch (error) {
      setProblem((error as Error).message)
      return false
    }
  }
  return (
    <>
      {unreadable.length > 0 && (
        <p className="problem">Cannot be read, and so is not counted here: {unreadable.join(', ')}. Open it at the Desk.</p>
      )}
      {bottles.length === 0 ? (
        <p>No bottle has been written down yet.{mayWrite && ' Add the first below.'}</p>
      ) : (
        <table className="ruled shelf" aria-label="Bottles">
          <thead>
            <tr>
              <th scope="col">bottle</th>
              <th scope="col" className="n">
                left
              </th>
              <th scope="col">stands</th>
              <th scope="col">serves</th>
              <th scope="col">written down</th>
              {mayWrite && <td />}
            </tr>
          </thead>
          <tbody>
            {bottles.map((bottle) => (
              <tr key={bottle.id}>
                <th scope="row">
                  {bottle.substance}
                  <small className="quiet"> {formText(bottle.form)}</small>
                  {bottle.lot && <small className="quiet"> lot {bottle.lot}</small>}
                  {bottle.openedOn && <small className="quiet"> opened {bottle.openedOn}</small>}
                  {bottle.standard && (
                    <small className="quiet">
                      {' '}
                      titre {bottle.standard.molPerL} mol/L, {bottle.standard.on}
                    </small>
                  )}
                  {bottle.against.map((why) => (
                    <small key={why} className="doubt">
                      {' '}
                      {why}
                    </small>
                  ))}
                  {mayWrite && (
                    <details>
                      <summary aria-label={`Label and use of ${bottle.substance}`}>Label and use</summary>
                      <BottleLabel
                        bottle={bottle}
                        today={today}
                        onAbout={(about) =>
                          void send(() =>
                            call(`/api/bottles/${bottle.id}`, 'PATCH', { left: bottle.left, place: bottle.place, about }),
                          )
                        }
                        onMove={(kind, by, reason) =>
                          send(() => call(`/api/bottles/${bottle.id}/moves`, 'POST', { kind, by, reason }))
                        }
                      />
                    </details>
                  )}
                </th>
                <td className="n fig">
                  {mayWrite ? (
                    <LeftField
                      bottle={bottle}
                      onLeft={(left) => send(() => call(`/api/bottles/${bottle.id}`, 'PATCH', { left, place: bottle.place }))}
                    />
                  ) : (
                    writeQuantity(bottle.left)
                  )}
                </td>
                <td>{bottle.place}</td>
                <td>
                  {bottle.serves.length === 0 && <span className="quiet">no preparation in use</span>}
                  {bottle.serves.map(({ title, groups }) => (
                    <div key={title} className={groups < 8 ? 'doubt' : undefined}>
                      <b className="fig">{groups}</b> {groups === 1 ? 'group' : 'groups'} of {title}
                    </div>
                  ))}
                </td>
                <td className="quiet">
                  {longDay(bottle.changedAt, zone)} {clockTime(bottle.changedAt, zone)}, {bottle.changedBy}
                </td>
                {mayWrite && (
                  <td>
                    <Button
                      variant="quiet"
                      size="sm"
                      aria-label={`Take ${bottle.substance} off the shelf`}
                      onClick={() => send(() => call(`/api/bottles/${bottle.id}`, 'DELETE'))}
                    >
                      Take off
                    </Button>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      {mayWrite && (
        <AddBottle course={course} onAdd={(bottle) => send(() => call(`/api/courses/${course}/bottles`, 'POST', bottle))} />
      )}
    </>
  )
}
