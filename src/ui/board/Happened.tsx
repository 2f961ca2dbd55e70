import type { Plan } from '@/core/plan/plan'
import type { Entry } from '@/core/run/entry'
import { foldRun } from '@/core/run/foldRun'
import { printed } from '@/core/words/words'
import { clockTime } from '../time'

interface Props {
  plan: Plan
  zone: string
  runs: readonly { bench: number; members: string; scale: number; entries: Entry[] }[]
}

/** Every accident of a session: when and where, what, to whom, in which step, who was there and what was done; what was struck stays readable. */
export function Happened({ plan, zone, runs }: Props) {
  const rows = runs.flatMap(({ bench, members, scale, entries }) => {
    const run = foldRun(plan, scale, entries)
    return run.calls
      .filter(({ entry }) => entry.kind === 'incident')
      .map(({ entry, answers }) => ({
        ...{ bench, members, answers },
        entry: entry as Entry<'incident'>,
        step: printed(run.steps.find(({ step }) => step.id === entry.step)!.step.title),
      }))
  })
  if (rows.length === 0) return <p className="quiet">Nothing is written down as having happened.</p>
  return (
    <table className="ruled">
      <thead>
        <tr>
          <th scope="col">when</th>
          <th scope="col">bench</th>
          <th scope="col">what</th>
          <th scope="col">to whom</th>
          <th scope="col">in</th>
          <th scope="col">what was done</th>
        </tr>
      </thead>
      <tbody>
        {rows
          .sort((a, b) => a.entry.at.localeCompare(b.entry.at))
          .map(({ entry, bench, members, step, answers }) => (
            <tr key={entry.id}>
              <td className="fig">{clockTime(entry.at, zone)}</td>
              <td>
                {bench} <small className="quiet">{members}</small>
              </td>
              <td>
                <b>{entry.body.what}</b>
                {entry.body.text && `: ${entry.body.text}`}
              </td>
              <td>{entry.body.who || 'not said'}</td>
              <td>{step}</td>
              <td>
                {answers.length === 0
                  ? 'nobody has been there yet'
                  : answers.map(({ id, by, at, body }) => (
                      <div key={id}>
                        {by}, {clockTime(at, zone)}
                        {body.text && `: ${body.text}`}
                      </div>
                    ))}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  )
}
