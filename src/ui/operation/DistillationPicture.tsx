'use client'

import { CartesianGrid, Line, LineChart, ReferenceArea, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { purityOf } from '@/core/operations/distil/fractions'
import { batchOf } from '@/core/operations/distil/mixture'
import { windowOf } from '@/core/operations/distil/receivers'
import { type DistilBlanks } from '@/core/operations/distil/blanks'
import type { Context } from '@/core/operations/planner'
import { writeNumber } from '@/core/quantity/write'
import { State } from '../figures/State'
import { axis, Chart, chartMargin, inks, ticksFor } from './chart'
import { useDistillation } from './useDistillation'

const lines = [
  { stroke: inks.cobalt, dash: undefined },
  { stroke: inks.amber, dash: '6 3' },
  { stroke: inks.graphite, dash: '2 3' },
] as const

/** The curve of a batch: head and pot, what comes over, the fractions, and what a purer cut costs. */
export function DistillationPicture({ context, filled }: { context: Context; filled: DistilBlanks }) {
  const here = batchOf(context, filled)
  const [answer, stop] = useDistillation(here && { ...here, ...windowOf(context, filled) })
  if (!here) return null
  if (answer.state === 'running')
    return (
      <p className="progress-line" role="status">
        <progress value={answer.share} max={1} aria-label="Working out the curve" /> Working out the curve{' '}
        <button type="button" onClick={stop}>
          Stop
        </button>
      </p>
    )
  if (answer.state === 'stopped') return <State level="open">Stopped. Change a figure to work it out again.</State>
  if (answer.state === 'refused') return <State level="doubt">{answer.why}</State>
  const { curve, cut, purities } = answer.found
  const { lowC, highC, ...batch } = answer.asked
  const names = batch.mixture.components.map(({ name }) => name)
  const points = curve.points.map(({ volumeML, headC, potC, head, pot }) => ({
    volumeML,
    headC,
    potC,
    ...Object.fromEntries(head.map((x, i) => [`x${i}`, 100 * x])),
    ...Object.fromEntries(pot.map((x, i) => [`w${i}`, 100 * x])),
  }))
  const mostML = points.at(-1)!.volumeML
  const [coldest, hottest] = [
    Math.floor(Math.min(lowC, ...points.map(({ headC }) => headC)) - 1),
    Math.ceil(Math.max(...points.map(({ potC }) => potC)) + 1),
  ]
  const main = cut.find(({ name }) => name === 'main')!
  const every = points.filter((_, index) => index % 20 === 0)
  const grams = (mmol: readonly number[]) =>
    mmol.reduce((sum, n, i) => sum + (n * batch.mixture.components[i]!.gPerMol) / 1000, 0)
  const charged = batch.charge.mmol[batch.wanted]!
  return (
    <>
      <Chart
        title="Head (full line) and pot (dashed) against the distillate; the window is shaded"
        columns={['mL', 'head, °C', 'pot, °C']}
        rows={every.map(({ volumeML, headC, potC }) => [writeNumber(volumeML, 1), writeNumber(headC, 1), writeNumber(potC, 1)])}
      >
        <ResponsiveContainer width="100%" height={200}>
          <LineChart data={points} margin={chartMargin} accessibilityLayer={false}>
            <CartesianGrid stroke={inks.rule} vertical={false} />
            <ReferenceArea y1={lowC} y2={highC} fill={inks.band} fillOpacity={1} ifOverflow="hidden" />
            <XAxis
              dataKey="volumeML"
              type="number"
              domain={[0, mostML]}
              ticks={ticksFor(0, mostML)}
              {...axis}
              tickFormatter={(value: number) => value.toFixed(0)}
              label={{ value: 'mL distilled', position: 'insideBottom', offset: -8, fill: inks.graphite, fontSize: 12 }}
            />
            <YAxis {...axis} width={56} domain={[coldest, hottest]} ticks={ticksFor(coldest, hottest)} unit=" °C" />
            <Line
              dataKey="potC"
              stroke={inks.graphite}
              strokeDasharray="5 4"
              dot={false}
              activeDot={false}
              isAnimationActive={false}
            />
            <Line dataKey="headC" stroke={inks.slate} strokeWidth={2.5} dot={false} activeDot={false} isAnimationActive={false} />
          </LineChart>
        </ResponsiveContainer>
      </Chart>
      {names.length > 1 && (
        <Chart
          title={`What comes over, mol %: ${names.map((name, i) => `${name} ${['full', 'dashed', 'dotted'][i]}`).join(', ')}`}
          columns={['mL', ...names.map((name) => `${name}, head`), ...names.map((name) => `${name}, pot`)]}
          rows={every.map((point) => [
            writeNumber(point.volumeML, 1),
            ...['x', 'w'].flatMap((of) => names.map((_, i) => writeNumber((point as Record<string, number>)[`${of}${i}`]!, 1))),
          ])}
        >
          <ResponsiveContainer width="100%" height={150}>
            <LineChart data={points} margin={chartMargin} accessibilityLayer={false}>
              <CartesianGrid stroke={inks.rule} vertical={false} />
              <XAxis
                dataKey="volumeML"
                type="number"
                domain={[0, mostML]}
                ticks={ticksFor(0, mostML)}
                {...axis}
                tickFormatter={(value: number) => value.toFixed(0)}
              />
              <YAxis {...axis} width={56} domain={[0, 100]} ticks={[0, 50, 100]} unit=" %" />
              {names.map((name, i) => (
                <Line
                  key={name}
                  dataKey={`x${i}`}
                  stroke={lines[i % 3]!.stroke}
                  strokeDasharray={lines[i % 3]!.dash}
                  strokeWidth={2}
                  dot={false}
                  activeDot={false}
                  isAnimationActive={false}
                />
              ))}
            </LineChart>
          </ResponsiveContainer>
        </Chart>
      )}
      <table className="ruled" aria-label="Fractions by the window">
        <caption>
          Fractions by the window, {lowC} to {highC} °C
        </caption>
        <thead>
          <tr>
            <th scope="col">fraction</th>
            <th scope="col" className="n">
              mL
            </th>
            <th scope="col" className="n">
              g
            </th>
            <th scope="col" className="n">
              head, °C
            </th>
            <th scope="col" className="n">
              {names[batch.wanted]}, mol %
            </th>
            <th scope="col" className="n">
              of what was charged
            </th>
          </tr>
        </thead>
        <tbody>
          {[
            ...cut,
            { name: 'residue', fromML: 0, toML: 0, fromC: NaN, toC: NaN, mmol: curve.left.map((n, i) => n + curve.inColumn[i]!) },
          ].map((fraction) => (
            <tr key={fraction.name} className={fraction === main ? 'main' : undefined}>
              <th scope="row">{fraction.name === 'residue' ? 'residue and column' : fraction.name}</th>
              <td className="n fig">
                {writeNumber(
                  fraction.mmol.reduce(
                    (sum, n, i) => sum + (n * batch.mixture.components[i]!.gPerMol) / batch.mixture.components[i]!.gPerML / 1000,
                    0,
                  ),
                  1,
                )}
              </td>
              <td className="n fig">{writeNumber(grams(fraction.mmol), 1)}</td>
              <td className="n fig">
                {Number.isNaN(fraction.fromC) ? '–' : `${writeNumber(fraction.fromC, 1)}–${writeNumber(fraction.toC, 1)}`}
              </td>
              <td className="n fig">{writeNumber(100 * purityOf(fraction, batch.wanted), 1)}</td>
              <td className="n fig">{writeNumber((100 * fraction.mmol[batch.wanted]!) / charged, 0)} %</td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="ruled" aria-label="Recovery against purity">
        <caption>What a purer {names[batch.wanted]} costs</caption>
        <thead>
          <tr>
            <th scope="col" className="n">
              purity, mol %
            </th>
            <th scope="col" className="n">
              recovery
            </th>
            <th scope="col" className="n">
              collect from, mL
            </th>
            <th scope="col" className="n">
              to, mL
            </th>
            <th scope="col" className="n">
              head, °C
            </th>
          </tr>
        </thead>
        <tbody>
          {purities.length === 0 ? (
            <tr>
              <td colSpan={5}>No cut reaches 80 %: more stages, or more reflux.</td>
            </tr>
          ) : (
            purities.map(({ purity, recovery, fraction }) => (
              <tr key={purity}>
                <td className="n fig">{writeNumber(100 * purity, 0)}</td>
                <td className="n fig">{writeNumber(100 * recovery, 0)} %</td>
                <td className="n fig">{writeNumber(fraction.fromML, 1)}</td>
                <td className="n fig">{writeNumber(fraction.toML, 1)}</td>
                <td className="n fig">
                  {writeNumber(fraction.fromC, 1)}–{writeNumber(fraction.toC, 1)}
                </td>
              </tr>
            ))
          )}
        </tbody>
      </table>
    </>
  )
}
