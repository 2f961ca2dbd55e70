import type { ReactNode } from 'react'

/** The inks of the charts: what stands, what follows, what is wanted. */
export const inks = {
  slate: '#22363a',
  cobalt: '#234f9c',
  amber: '#9a4f08',
  graphite: '#4f6065',
  rule: '#d8dfdc',
  band: '#dcebe4',
} as const

export const axis = { tick: { fill: inks.graphite, fontSize: 12 }, stroke: inks.graphite, tickLine: false } as const

export const chartMargin = { top: 8, right: 16, bottom: 18, left: 0 }

/** A chart with what it shows in a line, and its figures as a table behind it. */
export function Chart({
  title,
  children,
  columns,
  rows,
}: {
  title: string
  children: ReactNode
  columns: string[]
  rows: (string | number)[][]
}) {
  return (
    <figure className="chart">
      <figcaption>{title}</figcaption>
      <div role="img" aria-label={`${title}; its figures stand in the table below`}>
        {children}
      </div>
      <details>
        <summary>The figures as a table</summary>
        <table className="ruled">
          <thead>
            <tr>
              {columns.map((column) => (
                <th key={column} scope="col">
                  {column}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, index) => (
              <tr key={index}>
                {row.map((value, at) => (
                  <td key={at} className="fig">
                    {value}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  )
}

/** Round numbers along an axis from low to high, about six of them. */
export function ticksFor(low: number, high: number): number[] {
  const rough = Math.max(high - low, 1e-9) / 6
  const ten = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((each) => each * ten).find((each) => each >= rough)!
  const first = Math.ceil(low / step - 1e-9)
  const last = Math.floor(high / step + 1e-9)
  return Array.from({ length: last - first + 1 }, (_, index) => Number(((first + index) * step).toPrecision(10)))
}
