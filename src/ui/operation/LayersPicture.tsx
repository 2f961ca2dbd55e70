import type { Context } from '@/core/operations/planner'
import { whereItIs } from '@/core/operations/extract/whereItIs'
import { writeNumber } from '@/core/quantity/write'

/** What stands where after a step: each layer a row, each substance a column with a bar as long as its share. */
export function LayersPicture({ context }: { context: Context }) {
  const where = whereItIs(context)
  if (!where || where.solutes.length === 0) return null
  return (
    <table className="ruled layers" aria-label="What is where after this step">
      <caption>What is where after this step</caption>
      <thead>
        <tr>
          <th scope="col">layer</th>
          <th scope="col" className="n">
            mL
          </th>
          <th scope="col" className="n">
            pH
          </th>
          {where.solutes.map((name) => (
            <th key={name} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {where.layers.map(({ name, kind, volumeML, pH, share }) => (
          <tr key={name}>
            <th scope="row">
              {name}
              <small>{kind}</small>
            </th>
            <td className="n fig">{writeNumber(volumeML, 0)}</td>
            <td className="n fig">{kind === 'watery' ? (pH === null ? 'not known' : writeNumber(pH, 1)) : '–'}</td>
            {share.map((fraction, index) => (
              <td key={where.solutes[index]} className={`share ${kind}`}>
                {fraction === null ? (
                  <span>not known</span>
                ) : (
                  <>
                    <span className="bar" style={{ width: `${100 * fraction}%` }} aria-hidden="true" />
                    <span className="fig">{writeNumber(100 * fraction, fraction > 0.995 || fraction < 0.01 ? 1 : 0)} %</span>
                  </>
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
