'use client'

import type { UsedRowView } from '@/views/stores'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { StoresRecord } from '@/core/stores/record'
import { call } from '../call'
import { State } from '../figures/State'
import { clockTime } from '../time'
import { amountText } from './amount'

interface Props {
  session: string
  zone: string
  rows: UsedRowView[]
  mayWrite: boolean
}

const hows = { back: 'what was left went back', away: 'what was left was thrown away', charged: 'taken from the bottle' }

/** What the benches really charged, against what was set out; what is left goes back or away, and what nobody set out is taken from its bottle now. */
export function Used({ session, zone, rows: first, mayWrite }: Props) {
  const [rows, setRows] = useState(first)
  const [problem, setProblem] = useState<string>()
  const settle = async (row: UsedRowView, how: 'back' | 'away' | 'charged', moves: { bottle: string; amount: number }[]) => {
    setProblem(undefined)
    try {
      const { records } = await call<{ records: StoresRecord[] }>(`/api/sessions/${session}/stores`, 'POST', {
        kind: 'settled',
        item: row.item,
        body: { how, moves },
      })
      const settled =
        records.find((each): each is StoresRecord<'settled'> => each.kind === 'settled' && each.item === row.item) ?? null
      setRows((all) => all.map((each) => (each.item === row.item ? { ...each, settled } : each)))
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
      <div className="picture-scroll" tabIndex={0} role="region" aria-label="What was used">
        <table className="ruled stores-table used">
          <thead>
            <tr>
              <th scope="col">what</th>
              <th scope="col" className="n">
                set out
              </th>
              <th scope="col" className="n">
                the benches charged
              </th>
              <th scope="col" className="n">
                left over
              </th>
              <th scope="col">then</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const out = row.out.reduce((sum, { take }) => sum + take, 0)
              const left = tidy(out - row.charged)
              const [bottle] = row.bottles
              return (
                <tr key={row.item}>
                  <th scope="row">{row.name}</th>
                  <td className="n fig">{out > 0 ? amountText(out, row.unit) : '–'}</td>
                  <td className="n fig">
                    {row.benches > 0 ? amountText(row.charged, row.unit) : '–'}
                    {row.benches > 0 && <small className="quiet"> by {row.benches}</small>}
                    {row.unreadable > 0 && (
                      <small className="doubt"> and {row.unreadable} in another unit, without a density</small>
                    )}
                  </td>
                  <td className="n fig">{out > 0 && left > 0 ? amountText(left, row.unit) : '–'}</td>
                  <td>
                    {row.settled ? (
                      <State level="good">
                        {hows[row.settled.body.how]}, {row.settled.by}, {clockTime(row.settled.at, zone)}
                      </State>
                    ) : (
                      mayWrite && (
                        <>
                          {out > 0 && left > 0 && (
                            <>
                              <Button
                                variant="quiet"
                                size="sm"
                                aria-label={`${row.name}: what is left goes back`}
                                onClick={() => void settle(row, 'back', spread(row.out, left))}
                              >
                                Goes back
                              </Button>
                              <Button
                                variant="quiet"
                                size="sm"
                                aria-label={`${row.name}: what is left is thrown away`}
                                onClick={() => void settle(row, 'away', [])}
                              >
                                Thrown away
                              </Button>
                            </>
                          )}
                          {out > 0 && left <= 0 && row.benches > 0 && <span className="quiet">all of it was used</span>}
                          {out === 0 && row.benches > 0 && bottle && (
                            <Button
                              variant="quiet"
                              size="sm"
                              aria-label={`${row.name}: take what was charged from the bottle`}
                              onClick={() =>
                                void settle(row, 'charged', [{ bottle: bottle.id, amount: tidy(row.charged * bottle.perUnit) }])
                              }
                            >
                              Take it from {bottle.words}
                            </Button>
                          )}
                          {out === 0 && row.benches > 0 && !bottle && (
                            <span className="doubt">no bottle of it is on the shelf</span>
                          )}
                        </>
                      )
                    )}
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </>
  )
}

const tidy = (value: number) => Number(value.toPrecision(6))

/** What goes back goes into the bottles that were opened last. */
function spread(out: UsedRowView['out'], left: number): { bottle: string; amount: number }[] {
  let rest = left
  return out.toReversed().flatMap(({ bottle, take, perUnit }) => {
    const amount = tidy(Math.min(take, rest))
    rest -= amount
    return amount > 0 ? [{ bottle, amount: tidy(amount * perUnit) }] : []
  })
}
