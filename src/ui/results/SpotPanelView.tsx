import type { SpotPanel } from '@/core/classroom/panels/spots'
import { writeNumber } from '@/core/quantity/write'

/** Plates side by side, the front at the top and the start at the bottom, each spot where it ran; the figures with their uncertainty below. */
export function SpotPanelView({ panel }: { panel: SpotPanel }) {
  return (
    <section tabIndex={0} className="result-panel plates" aria-label={panel.title}>
      <h2>
        {panel.title} <small className="quiet">retention factors; twice the standard uncertainty</small>
      </h2>
      <div className="plate-row" aria-hidden="true">
        {panel.benches.map(({ bench, spots }) => (
          <figure key={bench}>
            <span className="plate">
              {spots.map(({ of, rf }, index) => (
                <i
                  key={`${of} ${index}`}
                  style={{ bottom: `${100 * rf}%`, left: `${(100 * (index + 1)) / (spots.length + 1)}%` }}
                />
              ))}
            </span>
            <figcaption>{bench}</figcaption>
          </figure>
        ))}
      </div>
      <table className="ruled">
        <thead>
          <tr>
            <th scope="col">bench</th>
            <th scope="col">spots, from left to right</th>
          </tr>
        </thead>
        <tbody>
          {panel.benches.map(({ bench, spots }) => (
            <tr key={bench}>
              <th scope="row" className="number">
                {bench}
              </th>
              <td>{spots.map(({ of, rf, u }) => `${of} ${writeNumber(rf, 2)} ± ${writeNumber(2 * u, 2)}`).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
