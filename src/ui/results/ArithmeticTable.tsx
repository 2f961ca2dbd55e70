import type { Checked } from '@/core/result/arithmetic/checked'
import { State } from '../figures/State'

/** A group's own figures beside what their readings give, each with the working and where it went wrong. */
export function ArithmeticTable({ checked }: { checked: readonly Checked[] }) {
  return (
    <div className="arithmetic">
      {checked.map(({ field, of, typed, right, ok, follows, slip, working }) => (
        <div key={`${field} ${of}`} className="written">
          <span>
            {field === 'amount' ? `amount of ${of}` : of}
            <small className="quiet working">{working}</small>
          </span>
          <span>
            <b className="fig">{typed}</b>{' '}
            {ok ? (
              <State level="good">right</State>
            ) : follows ? (
              <State level="good">right for your figure before it; from the readings it is {right}</State>
            ) : (
              <State level="doubt">
                {slip ?? 'Not what the readings give, and no usual slip gives it: go through the working.'} It is {right}.
              </State>
            )}
          </span>
        </div>
      ))}
    </div>
  )
}
