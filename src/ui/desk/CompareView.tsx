import { Link } from '../page/Link'
import { comparePlans, type Difference } from '@/core/edit/comparePlans'
import type { Plan } from '@/core/plan/plan'
import { longDay } from '../time'

interface Compared {
  number: number
  state: string
  savedAt: string
  savedBy: string
  plan: Plan
}

const parts: { part: Difference['part']; title: string }[] = [
  { part: 'words', title: 'Words' },
  { part: 'table', title: 'Reaction table' },
  { part: 'procedure', title: 'Procedure' },
  { part: 'safety', title: 'Safety' },
]

/** Two revisions of a preparation side by side: only what differs, the old struck, the new in ink. */
export function CompareView({
  preparation,
  before,
  after,
  zone,
}: {
  preparation: string
  before: Compared
  after: Compared
  zone: string
}) {
  const differences = comparePlans(before.plan, after.plan)
  const named = ({ number, state, savedAt, savedBy }: Compared) =>
    `${state === 'draft' ? 'draft' : 'revision'} ${number}, ${savedBy}, ${longDay(savedAt, zone)}`
  return (
    <>
      <div className="head">
        <h1>{after.plan.title}: what changed</h1>
        <div className="actions">
          <Link className="btn btn-quiet" href={`/desk/${preparation}`}>
            To the plan
          </Link>
        </div>
      </div>
      <p className="quiet">
        From {named(before)}, to {named(after)}.
      </p>
      {differences.length === 0 && <p>The two are the same, line by line.</p>}
      {parts.map(({ part, title }) => {
        const found = differences.filter((difference) => difference.part === part)
        if (found.length === 0) return null
        return (
          <section key={part} aria-label={title}>
            <h2 className="section-title">{title}</h2>
            <table className="ruled compared">
              <thead>
                <tr>
                  <th scope="col">what</th>
                  <th scope="col">{before.number}</th>
                  <th scope="col">{after.number}</th>
                </tr>
              </thead>
              <tbody>
                {found.map(({ what, before: old, after: fresh }) => (
                  <tr key={what}>
                    <th scope="row">{what}</th>
                    <td>{old === null ? <span className="quiet">not there</span> : <del>{old || 'nothing'}</del>}</td>
                    <td>{fresh === null ? <span className="danger">taken out</span> : <ins>{fresh || 'nothing'}</ins>}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        )
      })}
    </>
  )
}
