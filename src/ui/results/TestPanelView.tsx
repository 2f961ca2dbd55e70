import type { TestPanel, TubeSeen } from '@/core/classroom/panels/tests'
import { State } from '../figures/State'

const minutes = (seconds: number) => (seconds < 90 ? `${seconds} s` : `${(seconds / 60).toFixed(1)} min`)

/** A panel of tests: tubes down, benches across; a sign is a filled square with the time it took as a length, no sign an empty one. */
export function TestPanelView({ panel }: { panel: TestPanel }) {
  const longest = panel.watchMin * 60
  return (
    <section tabIndex={0} className="result-panel tests" aria-label={panel.title}>
      <h2>
        {panel.title} <small className="quiet">watched for {panel.watchMin} min</small>
      </h2>
      <div className="board-scroll" tabIndex={0} role="region" aria-label={`${panel.title}, tube by tube`}>
        <table className="ruled tube-panel">
          <thead>
            <tr>
              <th scope="col">tube</th>
              <th scope="col">expected</th>
              {panel.benches.map(({ bench }) => (
                <th scope="col" key={bench} className="n">
                  {bench}
                </th>
              ))}
              <th scope="col" className="n">
                otherwise
              </th>
            </tr>
          </thead>
          <tbody>
            {panel.tubes.map(({ name, holds, what, expect, unexpected }, index) => (
              <tr key={name} className={holds === 'sample' ? undefined : 'known'}>
                <th scope="row">{holds === 'sample' ? what || 'sample' : `${holds}: ${what}`}</th>
                <td>{expect === 'positive' ? 'sign' : 'no sign'}</td>
                {panel.benches.map(({ bench, cells }) => (
                  <td key={bench}>
                    <Tube seen={cells[index]!} longest={longest} />
                  </td>
                ))}
                <td className="n">{unexpected > 0 ? <span className="doubt">{unexpected}</span> : '–'}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" colSpan={2}>
                the test
              </th>
              {panel.benches.map(({ bench, judgement }) => (
                <td key={bench} title={judgement?.evidence}>
                  {judgement ? (
                    <State level={judgement.level}>{judgement.level === 'good' ? 'as expected' : judgement.words}</State>
                  ) : (
                    '–'
                  )}
                </td>
              ))}
              <td />
            </tr>
          </tfoot>
        </table>
      </div>
      <p className="quiet key">
        Filled: the sign was seen, its length is the time it took. Empty: no sign. A thick frame: not as expected. Where the
        control gave no sign or the blank gave one, nothing can be read from the samples.
      </p>
    </section>
  )
}

function Tube({ seen: { seen, afterS, warmed, expected }, longest }: { seen: TubeSeen; longest: number }) {
  if (seen === null) return <span className="quiet">–</span>
  const share = afterS === null ? 1 : Math.min(1, afterS / longest)
  return (
    <span className={`tube ${seen}${expected === false ? ' otherwise' : ''}`}>
      <i style={{ width: seen === 'sign' ? `${Math.max(8, 100 * share)}%` : '100%' }} />
      <small>
        {seen === 'sign' ? 'sign' : 'no sign'}
        {afterS !== null && seen === 'sign' && `, ${minutes(afterS)}`}
        {warmed && ', warm'}
      </small>
    </span>
  )
}
