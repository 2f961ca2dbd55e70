import type { ClassPanels } from '@/core/classroom/panels/panels'
import { lossKinds, type Loss, type LossKind } from '@/core/result/losses/loss'
import type { LossAccount } from '@/core/result/losses/lossAccount'
import { writeNumber } from '@/core/quantity/write'

const called: Readonly<Record<LossKind, string>> = {
  unreacted: 'unreacted at equilibrium',
  'other layers': 'other layers',
  'hold-up': 'hold-up',
  samples: 'samples taken',
  'mother liquor': 'mother liquor',
  purifying: 'crude to pure',
  unexplained: 'unexplained',
}

const kinds = lossKinds.filter((kind) => kind !== 'unexplained')

const placeOf = (kind: LossKind) => lossKinds.indexOf(kind)

/** Why not all of it: from what was charged to what was weighed, one bar a bench, and below each the account with its workings. */
export function LossPanel({ losses }: { losses: ClassPanels['losses'] }) {
  if (losses.length === 0) return null
  const several = losses.some(({ accounts }) => accounts.length > 1)
  const used = kinds.filter((kind) =>
    losses.some(({ accounts }) => accounts.some((account) => account.losses.some((loss) => loss.kind === kind))),
  )
  return (
    <section tabIndex={0} className="result-panel losses" aria-label="Why not all of it">
      <h2>
        Why not all of it <small className="quiet">from what was charged to what was weighed, in per cent of the whole</small>
      </h2>
      <p className="loss-key quiet" aria-hidden="true">
        <span>
          <i className="product" /> weighed
        </span>
        {used.map((kind) => (
          <span key={kind}>
            <i className={`loss-${placeOf(kind)}`} /> {called[kind]}
          </span>
        ))}
        <span>
          <i className="left-over" /> unexplained
        </span>
      </p>
      {losses.flatMap(({ bench, members, accounts }) =>
        accounts.map((account) => (
          <details key={`${bench} ${account.sample}`} className="loss">
            <summary>
              <b className="number">{bench}</b>
              <span className="who">
                {several ? account.of : members}
                {!account.dry && <small className="danger"> wet</small>}
              </span>
              <LossBar account={account} />
              <span className="fig n">{writeNumber((100 * account.productG) / account.wholeG, 0)} %</span>
              <span className="most">{mostOf(account)}</span>
            </summary>
            <LossTable account={account} />
          </details>
        )),
      )}
    </section>
  )
}

/** The largest loss that is named, in words. */
export function mostOf({ largest, unexplained, wholeG }: LossAccount): string {
  if (unexplained.g < -0.03 * wholeG) return 'more than is accounted for: wet, or not pure'
  if (!largest || unexplained.g > 2 * largest.g)
    return unexplained.g > 0.05 * wholeG ? `${writeNumber((100 * unexplained.g) / wholeG, 0)} % unexplained` : ''
  return `${largest.words}: ${writeNumber((100 * largest.g) / wholeG, 0)} %`
}

export function LossBar({ account: { losses, productG, unexplained, wholeG } }: { account: LossAccount }) {
  // More than the whole is drawn to the end of the bar and said in words.
  const all = Math.max(wholeG, productG + losses.reduce((sum, { g }) => sum + g, 0))
  const width = (g: number) => ({ width: `${(100 * Math.max(0, g)) / all}%` })
  return (
    <span className="stack" aria-hidden="true">
      <i className="product" style={width(productG)} />
      {losses.map((loss) => (
        <i key={loss.key} className={`loss-${placeOf(loss.kind)}`} style={width(loss.g)} />
      ))}
      <i className="left-over" style={width(unexplained.g)} />
    </span>
  )
}

const by = { rule: 'expected', balance: 'weighed', 'left over': 'left over' } as const

/** An account with the working and the span of each line. */
export function LossTable({ account }: { account: LossAccount }) {
  const { losses, productG, unexplained, wholeG, whole, again, unknown } = account
  const percent = (g: number) => `${writeNumber((100 * g) / wholeG, 1)} %`
  const row = (loss: Loss) => (
    <tr key={loss.key}>
      <th scope="row">{loss.words}</th>
      <td className="n fig">{writeNumber(loss.g, 2)} g</td>
      <td className="n fig">{percent(loss.g)}</td>
      <td className="n fig">
        {writeNumber(loss.lowG, 2)} to {writeNumber(loss.highG, 2)} g
      </td>
      <td>{by[loss.by]}</td>
      <td className="how">{loss.how}</td>
    </tr>
  )
  return (
    <>
      <table className="ruled loss-table">
        <thead>
          <tr>
            <th scope="col">
              {whole === 'theory' ? `theory ${writeNumber(wholeG, 2)} g` : `put in ${writeNumber(wholeG, 2)} g`}
            </th>
            <th scope="col" className="n">
              mass
            </th>
            <th scope="col" className="n">
              of the whole
            </th>
            <th scope="col" className="n">
              span
            </th>
            <th scope="col">how known</th>
            <th scope="col">working</th>
          </tr>
        </thead>
        <tbody>
          {losses.map(row)}
          {row(unexplained)}
          <tr className="sum">
            <th scope="row">weighed</th>
            <td className="n fig">{writeNumber(productG, 2)} g</td>
            <td className="n fig">{percent(productG)}</td>
            <td colSpan={3}>{account.dry ? 'dry' : 'not dried to constant mass'}</td>
          </tr>
        </tbody>
      </table>
      {again && <p>Still to be had: {again}.</p>}
      {unknown.length > 0 && <p className="doubt">Not known, and so in what is unexplained: {unknown.join('; ')}.</p>}
    </>
  )
}
