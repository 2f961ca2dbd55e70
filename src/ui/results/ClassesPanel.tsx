import { Link } from '../page/Link'
import { liesApart, trendPerYear, type ClassFigures } from '@/core/classroom/compareClasses'
import { writeNumber } from '@/core/quantity/write'
import { State } from '../figures/State'
import { longDay } from '../time'

/** Every class of one plan, the earliest first: each bench a ring, the median a stroke, the robust spread a bar. */
export function ClassesPanel({
  classes,
  here,
  zone,
  changes,
}: {
  classes: readonly ClassFigures[]
  here: string
  zone: string
  changes: Readonly<Record<number, string[]>>
}) {
  const trend = trendPerYear(classes)
  const all = classes.flatMap(({ fractions }) => fractions)
  const high = Math.max(1, ...all)
  const x = (fraction: number) => `${(100 * Math.min(high, Math.max(0, fraction))) / high}%`
  const percent = (fraction: number | null) => (fraction === null ? '–' : `${writeNumber(100 * fraction, 0)} %`)
  return (
    <section tabIndex={0} className="result-panel times classes" aria-label="Sections and years">
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">class</th>
            <th scope="col" className="n">
              revision
            </th>
            <th scope="col" className="n">
              benches
            </th>
            <th scope="col" className="chart">
              0 to {writeNumber(100 * high, 0)} %
            </th>
            <th scope="col" className="n">
              median
            </th>
            <th scope="col" className="n">
              spread
            </th>
            <th scope="col" className="n">
              shift, °C
            </th>
            <th scope="col">reading</th>
          </tr>
        </thead>
        <tbody>
          {classes.map((each, index) => {
            const { session, section, at, revision, benches, fractions, median, spread, shiftC, wantWord } = each
            const before = classes[index - 1]
            const changed = before && before.revision !== revision ? changes[revision] : undefined
            return [
              changed && (
                <tr key={`${session} revision`} className="between">
                  <td colSpan={8} className="quiet">
                    Revision {revision} from here: {changed.length > 0 ? changed.join('; ') : 'nothing that differs'}
                  </td>
                </tr>
              ),
              <tr key={session} aria-current={session === here ? 'true' : undefined}>
                <th scope="row">
                  <Link href={`/class/${session}/results`}>
                    {section}, {longDay(at, zone)} {at.slice(0, 4)}
                  </Link>
                </th>
                <td className="n fig">{revision}</td>
                <td className="n fig">{benches}</td>
                <td aria-hidden="true">
                  <span className="dots">
                    {median !== null && spread !== null && (
                      <i
                        className="plan"
                        style={{ left: x(median - spread), width: `calc(${x(median + spread)} - ${x(median - spread)})` }}
                      />
                    )}
                    {fractions.map((fraction, bench) => (
                      <i key={bench} className="dot" style={{ left: x(fraction) }} />
                    ))}
                    {median !== null && <i className="median" style={{ left: x(median) }} />}
                  </span>
                </td>
                <td className="n">
                  <b className="fig">{percent(median)}</b>
                </td>
                <td className="n fig">{spread === null ? '–' : `${writeNumber(100 * spread, 0)} %`}</td>
                <td className="n fig">{shiftC === null ? '–' : writeNumber(shiftC, 1)}</td>
                <td>
                  {liesApart(each, classes) ? (
                    <State level="doubt">apart from the others</State>
                  ) : (
                    <span className="quiet">
                      {wantWord} of {benches} want a word
                    </span>
                  )}
                </td>
              </tr>,
            ]
          })}
        </tbody>
      </table>
      <p className="quiet key">
        Rings: each bench that counts. Orange stroke: the median. Grey: the median with its robust spread, 1.4826 times the median
        absolute deviation.{' '}
        {trend === null
          ? 'A trend is said from three classes on.'
          : `Trend of the medians: ${writeNumber(100 * trend, 1)} % of theory a year, the median of all slopes between two classes.`}
      </p>
    </section>
  )
}
