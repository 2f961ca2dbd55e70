import type { Context } from '@/core/operations/planner'
import { washesOf, type WashBlanks } from '@/core/operations/wash/planner'
import { writeNumber } from '@/core/quantity/write'

/** The washes in their order: what each takes, how much of its strength that needs, what it does to the product. */
export function WashesPicture({ context, filled }: { context: Context; filled: WashBlanks }) {
  return (
    <table className="ruled washes" aria-label="Washes in their order">
      <caption>Washes in their order</caption>
      <thead>
        <tr>
          <th scope="col">solution</th>
          <th scope="col">how much</th>
          <th scope="col">takes out</th>
          <th scope="col">of its strength</th>
          <th scope="col">to the product</th>
        </tr>
      </thead>
      <tbody>
        {washesOf(context, filled).map(
          ({ solution, portionML, times, removes, dissolves = [], needMmol, capacityMmol, harm }, index) => {
            const used = needMmol === null || !capacityMmol ? null : needMmol / capacityMmol
            return (
              <tr key={index}>
                <th scope="row">{solution}</th>
                <td className="fig">
                  {times} × {writeNumber(portionML, 0)} mL
                </td>
                <td>
                  {[
                    ...removes,
                    ...dissolves.map(({ name, fraction }) => `${writeNumber(100 * fraction, 0)} % of the ${name}`),
                  ].join(', ') || 'nothing that is named'}
                </td>
                <td className="share watery">
                  {used === null ? (
                    'dissolves'
                  ) : (
                    <>
                      <span className="bar" style={{ width: `${Math.min(100, 100 * used)}%` }} aria-hidden="true" />
                      <span className={`fig ${used > 1 ? 'danger' : ''}`}>{writeNumber(100 * used, 0)} %</span>
                    </>
                  )}
                </td>
                <td>{harm ?? 'nothing known'}</td>
              </tr>
            )
          },
        )}
      </tbody>
    </table>
  )
}
