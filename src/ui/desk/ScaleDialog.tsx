'use client'

import { useState } from 'react'
import { Button, Modal } from 'react-bootstrap'
import { lineName } from '@/core/plan/lineName'
import { allThereIs, mainResult, type Plan } from '@/core/plan/plan'
import { readNumber, readQuantity, type Reading } from '@/core/quantity/readQuantity'
import { holds, type Bottle } from '@/core/stores/bottle'
import { exact, times } from '@/core/quantity/figure'
import { writeFigureText, writeNumber, writeQuantity } from '@/core/quantity/write'
import { chargedLines, computedLine, dispensed, reactionTable, type ReactionTable } from '@/core/reaction/reactionTable'
import { scaleFactor, type ScaleWay } from '@/core/reaction/scaleWays'
import { State } from '../figures/State'
import { roundToDevices, type Rounded } from '@/core/reaction/roundToDevices'
import { notLinear } from '@/core/operations/notLinear'
import { scalePlan } from '@/core/edit/scalePlan'

type By = ScaleWay['by']

interface Props {
  plan: Plan
  table: ReactionTable
  shelf: Bottle[]
  onClose: () => void
  onScale: (plan: Plan, label: string) => void
}

/** The whole plan at another scale, said in one of four ways, looked at line by line before it is applied. */
export function ScaleDialog({ plan, table, shelf, onClose, onScale }: Props) {
  const inputs = chargedLines(table).filter((line) => dispensed(line))
  const expected = mainResult(plan)?.expected ?? allThereIs
  const [by, setBy] = useState<By>('factor')
  const [text, setText] = useState('2')
  const [percent, setPercent] = useState(writeNumber(50 * (expected.low + expected.high), 0))
  const [groups, setGroups] = useState('8')
  const [line, setLine] = useState(inputs[0]?.line.id ?? '')
  const [rounding, setRounding] = useState(false)

  const shelved = shelf.flatMap((bottle) => {
    const held = inputs.find((each) => holds(bottle, each))
    return held && bottle.left.value > 0 ? [{ bottle, line: held.line.id }] : []
  })
  const read = wayOf(by, text, percent, groups, line)
  const factor = read.ok ? scaleFactor(plan, table, read.value) : null
  const usable = factor !== null && factor >= 0.001 && factor <= 1000
  const problem = !read.ok
    ? read.problem
    : factor === null
      ? 'This line has no such figure yet: give it an amount first.'
      : usable
        ? undefined
        : 'That is less than a thousandth or more than a thousand times the plan. Check the figure.'
  const scaledExactly = usable ? scalePlan(plan, factor) : null
  const classOf = groupsOf(groups)
  const toDevices = scaledExactly && rounding ? roundToDevices(scaledExactly) : null
  const scaled = toDevices?.plan ?? scaledExactly
  const after = scaled && reactionTable(scaled)
  const limiting = table.limiting[0] && computedLine(table, table.limiting[0]).substance.name
  return (
    <Modal show onHide={onClose} centered size="lg" aria-labelledby="scale-title">
      <form
        onSubmit={(event) => {
          event.preventDefault()
          if (scaled) onScale(scaled, `scale × ${writeNumber(factor!, 3)}${rounding ? ', rounded' : ''}`)
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h2" id="scale-title">
            Scale the plan
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
          <div className="line-editor">
            <label className="half">
              by
              <select
                aria-label="Scale by"
                className="form-select form-select-sm"
                value={by}
                onChange={(event) => setBy(event.currentTarget.value as By)}
              >
                <option value="factor">a factor</option>
                <option value="limiting">the limiting reagent{limiting ? `, ${limiting}` : ''}</option>
                <option value="product">the product wanted</option>
                <option value="bottle">a bottle on the shelf</option>
              </select>
            </label>
            {by === 'bottle' && shelved.length > 0 && (
              <label>
                from the shelf
                <select
                  className="form-select form-select-sm"
                  aria-label="from the shelf"
                  value=""
                  onChange={(event) => {
                    const picked = shelved.find(({ bottle }) => bottle.id === event.currentTarget.value)
                    if (!picked) return
                    setLine(picked.line)
                    setText(writeQuantity(picked.bottle.left))
                  }}
                >
                  <option value="">choose a bottle</option>
                  {shelved.map(({ bottle }) => (
                    <option key={bottle.id} value={bottle.id}>
                      {bottle.substance}, {writeQuantity(bottle.left)}, {bottle.place}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {by === 'bottle' && (
              <label>
                bottle of
                <select
                  className="form-select form-select-sm"
                  value={line}
                  onChange={(event) => setLine(event.currentTarget.value)}
                >
                  {inputs.map(({ line: { id, note }, substance }) => (
                    <option key={id} value={id}>
                      {substance.name}
                      {note ? `, ${note}` : ''}
                    </option>
                  ))}
                </select>
              </label>
            )}
            <label>
              {by === 'factor' ? 'times' : by === 'bottle' ? 'holds' : 'amount'}
              <input
                className="form-control form-control-sm"
                value={text}
                autoFocus
                placeholder={by === 'factor' ? '2, 0.5, 1/3' : by === 'product' ? '5.0 g' : '25 mL, 10.0 g'}
                onChange={(event) => setText(event.currentTarget.value)}
              />
            </label>
            {by === 'product' && (
              <label>
                at a yield of, %
                <input
                  className="form-control form-control-sm"
                  value={percent}
                  onChange={(event) => setPercent(event.currentTarget.value)}
                />
              </label>
            )}
            <label>
              {by === 'bottle' ? 'for groups' : 'groups in the class'}
              <input
                className="form-control form-control-sm"
                inputMode="numeric"
                value={groups}
                onChange={(event) => setGroups(event.currentTarget.value)}
              />
            </label>
          </div>
          <label className="round-check">
            <input type="checkbox" checked={rounding} onChange={(event) => setRounding(event.currentTarget.checked)} /> round to
            what the devices deliver
          </label>
          {problem ? (
            <div className="problem" role="alert">
              {problem}
            </div>
          ) : (
            <table className="ruled" aria-label="Before and after">
              <thead>
                <tr>
                  <th scope="col">substance</th>
                  <th scope="col" className="n">
                    now
                  </th>
                  <th scope="col" className="n">
                    a group, × {writeNumber(factor!, 3)}
                  </th>
                  {classOf !== null && (
                    <th scope="col" className="n">
                      {classOf} groups
                    </th>
                  )}
                  {toDevices && (
                    <th scope="col" className="n">
                      ratio moves by
                    </th>
                  )}
                </tr>
              </thead>
              <tbody>
                {table.lines.map((computed, index) => (
                  <tr key={computed.line.id}>
                    <td>
                      {lineName(plan, computed.line)}
                      {computed.line.fixed && <small className="quiet"> does not scale</small>}
                    </td>
                    <td className="n fig">{amountOf(computed)}</td>
                    <td className="n fig">{after && amountOf(after.lines[index]!)}</td>
                    {classOf !== null && <td className="n fig">{after && amountOf(after.lines[index]!, classOf)}</td>}
                    {toDevices && <td className="n fig">{shiftOf(toDevices.rounded, computed.line.id)}</td>}
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {toDevices?.limit && (
            <State level="doubt">
              Rounded, {namesOf(plan, toDevices.limit.after)} sets the limit and no longer {namesOf(plan, toDevices.limit.before)}
              : what was kept short on purpose may not be. Take a finer device, or type its amount.
            </State>
          )}
          {usable && Math.abs(Math.log(factor)) > 1e-9 && <NotLinear plan={plan} factor={factor} />}
        </Modal.Body>
        <Modal.Footer>
          <Button variant="quiet" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" disabled={!scaled}>
            Scale it
          </Button>
        </Modal.Footer>
      </form>
    </Modal>
  )
}

const namesOf = (plan: Plan, lines: readonly string[]) =>
  lines
    .map((id) =>
      lineName(
        plan,
        plan.lines.find((line) => line.id === id)!,
      ),
    )
    .join(' and ') || 'nothing'

/** What does not grow with the scale, with its own figure where there is one. */
function NotLinear({ plan, factor }: { plan: Plan; factor: number }) {
  const notes = notLinear(plan, factor)
  return (
    <>
      <h3 className="section-title">What does not follow the scale</h3>
      <ul className="not-linear">
        {notes.map(({ about, words }) => (
          <li key={about}>
            <b>{about}:</b> {words}
          </li>
        ))}
      </ul>
    </>
  )
}

/** How far rounding moves a line's ratio, in percent; a dash for a line that is not rounded. */
function shiftOf(rounded: Rounded[], line: string): string {
  const shift = rounded.find((each) => each.line === line)?.ratioShift
  return shift === undefined || shift === null ? '–' : `${shift > 0 ? '+' : ''}${writeNumber(100 * shift, 1)} %`
}

/** What a line is measured out by, for so many groups. */
function amountOf(computed: ReactionTable['lines'][number], groups = 1): string {
  const found = dispensed(computed)
  return found ? writeFigureText(times(found.figure, exact(groups)), found.dimension) : '–'
}

/** A whole number of groups from 1, or null where none is written. */
function groupsOf(text: string): number | null {
  const read = readNumber(text)
  return read.ok && Number.isInteger(read.value.value) && read.value.value >= 1 ? read.value.value : null
}

function wayOf(by: By, text: string, percent: string, groups: string, line: string): Reading<ScaleWay> {
  if (by === 'factor') {
    const read = readNumber(text)
    if (!read.ok) return read
    return read.value.value > 0
      ? { ok: true, value: { by, factor: read.value.value } }
      : { ok: false, problem: 'A factor is more than zero: write for example 2 or 0.5.' }
  }
  const dimensions = by === 'product' ? (['mass'] as const) : (['mass', 'volume', 'amount'] as const)
  const tried = dimensions.map((of) => ({ of, read: readQuantity(text, of) }))
  const good = tried.find(({ read }) => read.ok)
  if (!good?.read.ok)
    return { ok: false, problem: `Write a number with its unit, for example ${by === 'product' ? '5.0 g' : '25 mL'}.` }
  const { of, read } = good
  const share = readNumber(percent)
  const count = groupsOf(groups)
  if (by === 'product') {
    if (!share.ok || share.value.value <= 0 || share.value.value > 100)
      return { ok: false, problem: 'A yield is a percentage above 0, at most 100.' }
    return { ok: true, value: { by, quantity: read.value, yield: share.value.value / 100 } }
  }
  if (by === 'limiting') return { ok: true, value: { by, of, quantity: read.value } }
  if (count === null) return { ok: false, problem: 'Groups are counted in whole numbers from 1.' }
  if (of === 'amount') return { ok: false, problem: 'A bottle holds a mass or a volume: write for example 500 mL or 250 g.' }
  return { ok: true, value: { by, line, of, quantity: read.value, groups: count } }
}
