import type { TimePanel } from '@/core/classroom/panels/times'
import { writeNumber } from '@/core/quantity/write'

/** How long each step took: a dot for each bench, the plan as a grey length, the median as a stroke. */
export function TimePanelView({ panel: { steps, benches } }: { panel: TimePanel }) {
  const most = Math.max(1, ...steps.flatMap(({ plannedMin, minutes }) => [plannedMin, ...minutes.map((each) => each ?? 0)]))
  const x = (minutes: number) => `${(100 * minutes) / most}%`
  if (steps.every(({ medianMin }) => medianMin === null)) return null
  return (
    <section tabIndex={0} className="result-panel times" aria-label="Time per step">
      <h2>
        Time per step <small className="quiet">from the end of the step before to its own, min</small>
      </h2>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">step</th>
            <th scope="col" className="n">
              planned
            </th>
            <th scope="col" className="n">
              median
            </th>
            <th scope="col" className="chart">
              <span className="visually-hidden">each bench</span>
            </th>
            <th scope="col" className="n">
              longest
            </th>
          </tr>
        </thead>
        <tbody>
          {steps.map(({ id, title, plannedMin, medianMin, minutes }) => {
            const known = minutes.flatMap((each, index) => (each === null ? [] : [{ each, bench: benches[index]!.bench }]))
            const longest = known.reduce<(typeof known)[number] | null>((a, b) => (!a || b.each > a.each ? b : a), null)
            return (
              <tr key={id}>
                <th scope="row">{title}</th>
                <td className="n fig">{plannedMin}</td>
                <td className="n fig">{medianMin === null ? '–' : writeNumber(medianMin, 0)}</td>
                <td aria-hidden="true">
                  <span className="dots">
                    <i className="plan" style={{ width: x(plannedMin) }} />
                    {known.map(({ each, bench }) => (
                      <i key={bench} className="dot" style={{ left: x(each) }} />
                    ))}
                    {medianMin !== null && <i className="median" style={{ left: x(medianMin) }} />}
                  </span>
                </td>
                <td className="n fig">{longest ? `${writeNumber(longest.each, 0)}, bench ${longest.bench}` : '–'}</td>
              </tr>
            )
          })}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">all of it</th>
            <td className="n fig">{steps.reduce((sum, { plannedMin }) => sum + plannedMin, 0)}</td>
            <td colSpan={3} className="fig">
              {benches.map(({ bench, allMin }) => `bench ${bench} ${allMin === null ? '–' : writeNumber(allMin, 0)}`).join(', ')}
            </td>
          </tr>
        </tfoot>
      </table>
    </section>
  )
}
