import type { Report } from '@/core/operations/planner'
import { State } from '../figures/State'

/** What follows from the blanks of a step: figures with their working, and what to do or to doubt, with its reason. */
export function Follows({ report }: { report: Report }) {
  return (
    <div className="follows">
      {report.facts.length > 0 && (
        <dl>
          {report.facts.map(({ id, name, text, how }) => (
            <div key={id}>
              <dt>
                {name}
                {how && <small>{how}</small>}
              </dt>
              <dd className="fig derived">{text}</dd>
            </div>
          ))}
        </dl>
      )}
      <ul className="advice">
        {report.advice.map(({ id, level, words, why }) => (
          <li key={id}>
            <State level={level}>{words}</State>
            {why && <small> {why}</small>}
          </li>
        ))}
      </ul>
    </div>
  )
}
