import type { Thing } from '@/core/stores/things'
import { amountText } from './amount'
import type { SetRow } from '@/core/stores/setRow'
import type { StoresSessionView } from '@/views/stores'

/** What stands on the tray of each bench: its own amounts at its scale, and its things. */
export function ByBench({
  rows,
  things,
  groups,
}: {
  rows: readonly SetRow[]
  things: readonly Thing[]
  groups: StoresSessionView['groups']
}) {
  const own = things.filter(({ kind }) => kind !== 'shared')
  return (
    <ul className="trays">
      {groups.map(({ run, bench, members, scale }) => (
        <li key={run} aria-label={`Tray of bench ${bench}`}>
          <h2>
            <b className="fig">{bench}</b> {members}
            {scale !== 1 && <small className="quiet"> scale {scale}</small>}
          </h2>
          <table>
            <caption className="visually-hidden">Amounts of bench {bench}</caption>
            <tbody>
              {rows.map((row) => {
                const share = row.shares.find((each) => each.bench === bench)
                return (
                  share && (
                    <tr key={row.item}>
                      <th scope="row">
                        {row.name}
                        {row.madeIn !== null && <small className="quiet"> their own</small>}
                      </th>
                      <td className="fig">{amountText(share.value, row.unit)}</td>
                    </tr>
                  )
                )
              })}
            </tbody>
          </table>
          <p className="quiet">
            {own
              .map(({ name, each, unit }) => (each === 1 && unit === 'pieces' ? name : `${amountText(each!, unit)} ${name}`))
              .join(' · ')}
          </p>
        </li>
      ))}
    </ul>
  )
}
