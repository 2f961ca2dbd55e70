import { strengthText } from '@/core/plan/lineName'
import type { Plan } from '@/core/plan/plan'
import { settingOut, usualSpare } from '@/core/stores/settingOut'
import { thingsFor } from '@/core/stores/things'
import { safetySheet } from '@/core/safety/safetySheet'
import { amountText } from '../../stores/amount'

const kinds = [
  ['used up', 'Used up'],
  ['each bench', 'Glass and metal for each bench'],
  ['shared', 'Shared in the room'],
] as const

/** What the stores set out for so many benches: substances with a tenth to spare, apparatus, and where the waste goes. */
export function ForStores({ plan, benches }: { plan: Plan; benches: number }) {
  const session = { id: 'handout', plan, groups: Array.from({ length: benches }, (_, index) => ({ bench: index + 1, scale: 1 })) }
  const { needs, unsaid } = settingOut([session])
  const things = thingsFor(session)
  const { waste } = safetySheet(plan)
  return (
    <>
      <p>
        For {benches} {benches === 1 ? 'bench' : 'benches'}, with {Math.round(100 * usualSpare)} % to spare.
      </p>
      <h2>Weigh and measure out</h2>
      <table className="ruled amounts">
        <thead>
          <tr>
            <th scope="col">Substance</th>
            <th scope="col">Each bench</th>
            <th scope="col">All together</th>
            <th scope="col">Lot, opened</th>
            <th scope="col">Done</th>
          </tr>
        </thead>
        <tbody>
          {needs.map((need) => (
            <tr key={`${need.stuff} ${need.unit} ${need.madeIn ?? ''}`}>
              <th scope="row">
                {need.name}
                {strengthText(need.form) && `, ${strengthText(need.form)}`}
              </th>
              <td className="fig">{amountText(need.shares[0]?.value ?? 0, need.unit)}</td>
              <td className="fig">{need.madeIn === undefined ? amountText(need.issue, need.unit) : 'each brings its own'}</td>
              <td className="to-fill" />
              <td className="to-fill" />
            </tr>
          ))}
        </tbody>
      </table>
      {unsaid.length > 0 && <p className="doubt">The plan does not say how much: {unsaid.map(({ name }) => name).join(', ')}.</p>}
      {kinds.map(([kind, heading]) => {
        const here = things.filter((thing) => thing.kind === kind)
        return here.length === 0 ? null : (
          <section key={kind}>
            <h2>{heading}</h2>
            <ul className="things">
              {here.map(({ name, all, each, unit }) => (
                <li key={name}>
                  {name}
                  {all !== null && <b className="fig"> {amountText(all, unit)}</b>}
                  {all !== null && each !== null && each > 1 && <span className="quiet"> {amountText(each, unit)} a bench</span>}
                </li>
              ))}
            </ul>
          </section>
        )
      })}
      {waste.length > 0 && (
        <>
          <h2>Waste containers</h2>
          <ul>
            {waste.map(({ stream, substances, heed }) => (
              <li key={stream}>
                <b>{stream}:</b> {substances.join(', ')}. {heed}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  )
}
