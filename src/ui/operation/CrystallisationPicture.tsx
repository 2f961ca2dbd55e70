'use client'

import { CartesianGrid, Line, LineChart, ReferenceDot, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { cropFrom } from '@/core/operations/crystallise/crop'
import { pairsJudged, solventsJudged } from '@/core/operations/crystallise/solvents'
import { recoveryByVolume } from '@/core/operations/crystallise/planner'
import { type CrystalliseBlanks } from '@/core/operations/crystallise/blanks'
import type { Context } from '@/core/operations/planner'
import { writeNumber } from '@/core/quantity/write'
import { axis, Chart, chartMargin, inks, ticksFor } from './chart'

/** Best recovery against the volume of hot solvent, with what is planned or was used, and the solvents on record compared. */
export function CrystallisationPicture({ context, filled }: { context: Context; filled: CrystalliseBlanks }) {
  const points = recoveryByVolume(filled)
  const volumeML = filled.volumeML
  const percent = 100 * cropFrom(filled.soluteG, volumeML, filled.coldS).recovery
  const judged = solventsJudged(context, filled)
  const pairs = pairsJudged(context, filled)
  const most = Math.max(volumeML * 1.05, points.at(-1)?.volumeML ?? 0)
  return (
    <>
      {points.length > 0 && (
        <Chart
          title="Best recovery against the hot solvent used"
          columns={['mL', 'best recovery, %']}
          rows={points
            .filter((_, index) => index % 4 === 0)
            .map((point) => [writeNumber(point.volumeML, 0), writeNumber(point.percent, 1)])}
        >
          <ResponsiveContainer width="100%" height={190}>
            <LineChart data={points} margin={chartMargin} accessibilityLayer={false}>
              <CartesianGrid stroke={inks.rule} vertical={false} />
              <XAxis
                dataKey="volumeML"
                type="number"
                domain={[0, most]}
                ticks={ticksFor(0, most)}
                {...axis}
                label={{ value: 'mL of hot solvent', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
              />
              <YAxis {...axis} width={52} domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} unit=" %" />
              <ReferenceLine
                x={points[0]!.volumeML}
                stroke={inks.graphite}
                strokeDasharray="3 3"
                label={{ value: 'just dissolves', position: 'insideBottomLeft', fill: inks.graphite, fontSize: 12 }}
              />
              <Line
                dataKey="percent"
                stroke={inks.slate}
                strokeWidth={2}
                dot={false}
                activeDot={false}
                isAnimationActive={false}
              />
              <ReferenceDot x={volumeML} y={percent} r={7} fill="#fff" stroke={inks.amber} strokeWidth={3} />
            </LineChart>
          </ResponsiveContainer>
        </Chart>
      )}
      {judged.length > 0 && (
        <table className="ruled" aria-label="Solvents compared">
          <caption>Solvents, those first whose solubility is known, best crop first</caption>
          <thead>
            <tr>
              <th scope="col">solvent</th>
              <th scope="col" className="n">
                used at
              </th>
              <th scope="col" className="n">
                hot, g/100 mL
              </th>
              <th scope="col" className="n">
                cold
              </th>
              <th scope="col" className="n">
                ratio
              </th>
              <th scope="col" className="n">
                volume
              </th>
              <th scope="col" className="n">
                best
              </th>
              <th scope="col">against it</th>
            </tr>
          </thead>
          <tbody>
            {judged.map(({ solvent, hotC, tried, against }) => (
              <tr key={solvent}>
                <th scope="row">{solvent}</th>
                <td className="n fig">{writeNumber(hotC, 0)} °C</td>
                {tried ? (
                  <>
                    <td className="n fig">{writeNumber(tried.hotGPer100ML, 1)}</td>
                    <td className="n fig">{writeNumber(tried.coldGPer100ML, 2)}</td>
                    <td className="n fig">{writeNumber(tried.ratio, 1)}</td>
                    <td className="n fig">{writeNumber(tried.volumeML, 0)} mL</td>
                    <td className="n fig">{writeNumber(100 * tried.recovery, 0)} %</td>
                  </>
                ) : (
                  <td colSpan={5} className="quiet">
                    try 0.1 g in a tube, cold, then hot
                  </td>
                )}
                <td>{against.join('; ') || (tried ? 'nothing' : 'nothing on record')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pairs.length > 0 && (
        <table className="ruled" aria-label="Pairs of solvents">
          <caption>
            Pairs of them, each at the mixture that gives most back; a first estimate, ln s linear in the volume fraction
          </caption>
          <thead>
            <tr>
              <th scope="col">dissolves well</th>
              <th scope="col">brings it out</th>
              <th scope="col" className="n">
                of the second
              </th>
              <th scope="col" className="n">
                volume
              </th>
              <th scope="col" className="n">
                best
              </th>
            </tr>
          </thead>
          <tbody>
            {pairs.map(({ solvents, fraction, volumeML: volume, recovery }) => (
              <tr key={solvents.join()}>
                <th scope="row">{solvents[0]}</th>
                <td>{solvents[1]}</td>
                <td className="n fig">{writeNumber(100 * fraction, 0)} %</td>
                <td className="n fig">{writeNumber(volume, 0)} mL</td>
                <td className="n fig">{writeNumber(100 * recovery, 0)} %</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  )
}
