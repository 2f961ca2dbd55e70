'use client'

import type { StoresRecord } from '@/core/stores/record'
import { State } from '../figures/State'
import { clockTime } from '../time'
import { amountText } from './amount'
import { Recipe } from './Recipe'
import type { SetRow } from '@/core/stores/setRow'

interface Props {
  row: SetRow
  zone: string
  tick: StoresRecord<'tick'> | undefined
  /** How much stood on the paper that was printed last. */
  was: number | undefined
  onTick: ((done: boolean) => void) | undefined
}

/** One thing to set out: how much for all, from which bottle, what speaks against one, how a solution is made, and who has done it. */
export function SetLine({ row, zone, tick, was, onTick }: Props) {
  const { name, strength, unit, issue, madeIn, from, not, short, unknown, tap, solution, shares, fetched } = row
  const done = tick?.body.done === true
  const of = fetched?.unit ?? unit
  const there = from.reduce((sum, { take }) => sum + take, 0)
  const sizes = [...new Map(shares.map(({ value }) => [value, shares.filter((each) => each.value === value).length]))]
  return (
    <li className={done ? 'is-set' : undefined}>
      <label>
        <input
          type="checkbox"
          className="form-check-input"
          checked={done}
          disabled={!onTick}
          onChange={(event) => onTick?.(event.currentTarget.checked)}
        />
        <span className="what">
          {name}
          {strength && !name.startsWith(strength) && <small className="quiet"> {strength}</small>}
        </span>
      </label>
      <span className="fig">
        {madeIn === null ? <b>{amountText(issue, unit)}</b> : 'brought by each bench'}
        {was !== undefined && was !== issue && <small className="doubt"> was {amountText(was, unit)} on paper</small>}
        <small className="quiet"> {sizes.map(([value, many]) => `${many} × ${amountText(value, unit)}`).join(', ')}</small>
      </span>
      <span className="quiet">
        {done && tick && (
          <State level="good">
            {tick.by}, {clockTime(tick.at, zone)}
          </State>
        )}
        {done && tick && tick.body.issue !== issue && (
          <State level="doubt">
            set out {amountText(tick.body.issue, unit)}, now {amountText(issue, unit)}
          </State>
        )}
        {!done && madeIn !== null && `of “${madeIn}”`}
        {!done && tap && 'from the tap'}
        {!done &&
          !tap &&
          from.map(({ id, words, take }) => (
            <span key={id} className="from">
              {amountText(take, of)} {fetched && `of ${fetched.name} `}from {words}
            </span>
          ))}
        {short > 0 && (
          <span className="from">
            <State level="danger">
              {done && `${amountText(there, of)} of ${amountText(there + short, of)} set out, `}
              {amountText(short, of)} {fetched && `of ${fetched.name} `}
              {done ? 'to order' : 'missing on the shelf'}
            </State>
          </span>
        )}
        {!done && unknown && <State level="doubt">a bottle is kept in another unit, and its density is not known</State>}
        {not.map(({ id, words, why }) => (
          <State key={id} level="danger">
            not the bottle of {words}: {why.join(', ')}
          </State>
        ))}
      </span>
      {solution && <Recipe solution={solution} unit={unit} />}
    </li>
  )
}
