'use client'

import { useState } from 'react'
import { writeFigureText, writeNumber } from '@/core/quantity/write'
import type { RunState } from '@/core/run/foldRun'
import { goesOnWithG } from '@/core/run/pools'
import { readingOf } from '../readingOf'
import type { PanelProps } from '../panel'
import { PadEnd } from '../PadEnd'

/** Material of a sample put together with another bench's, topped up from the stores, or given away: the own part stays known. */
export function PoolForm({ run, write, onClose }: PanelProps & { run: RunState }) {
  const samples = Object.keys(run.samples)
  const [sample, setSample] = useState(samples.at(-1) ?? '')
  const [way, setWay] = useState<'in' | 'out'>('in')
  const [bench, setBench] = useState('')
  const [mass, setMass] = useState('')
  const [problem, setProblem] = useState<string>()
  const own = run.samples[sample]
  const take = () => {
    const read = readingOf(mass, 'g', 2)
    if (!read.ok) return setProblem(read.problem)
    if (read.value.value <= 0) return setProblem('A share weighs more than nothing.')
    const number = bench.trim() === '' ? undefined : Number(bench)
    if (number !== undefined && (!Number.isInteger(number) || number < 1 || number > 999))
      return setProblem('A bench has a number, such as 3. Leave it empty for the stores.')
    const before = own ? goesOnWithG(own.mass.value, run.pools[sample]) : 0
    if (way === 'out' && read.value.value > before)
      return setProblem(`There are ${writeNumber(before, 2)} g of it. No more can be given.`)
    const step = run.steps.findLast(({ step: each, net }) => net && 'sample' in each && each.sample === sample)
    write('pooled', (step ?? run.steps.at(-1)!).step.id, {
      ...{ sample, way, massG: read.value.value, decimals: read.value.decimals },
      ...(number === undefined ? {} : { bench: number }),
    })
    onClose()
  }
  return (
    <section className="pad" aria-label="Put together">
      <h2>Put together, or given away</h2>
      <div className="choice" role="group" aria-label="Which sample">
        {samples.map((each) => (
          <button key={each} type="button" aria-pressed={sample === each} onClick={() => setSample(each)}>
            {each}
          </button>
        ))}
      </div>
      {own && (
        <p className="hint">
          We made {writeFigureText(own.mass, 'mass')}; we go on with{' '}
          {writeNumber(goesOnWithG(own.mass.value, run.pools[sample]), 2)} g.
        </p>
      )}
      <div className="choice" role="group" aria-label="Which way">
        <button type="button" aria-pressed={way === 'in'} onClick={() => setWay('in')}>
          put to ours
        </button>
        <button type="button" aria-pressed={way === 'out'} onClick={() => setWay('out')}>
          given of ours
        </button>
      </div>
      <input
        className="reason"
        aria-label="Mass in g"
        placeholder="mass, g"
        inputMode="decimal"
        value={mass}
        onChange={(event) => setMass(event.currentTarget.value)}
      />
      <input
        className="reason"
        aria-label="The other bench; empty for the stores"
        placeholder="number of the other bench; empty: the stores"
        inputMode="numeric"
        value={bench}
        onChange={(event) => setBench(event.currentTarget.value)}
      />
      <PadEnd problem={problem} take="Write it down" onTake={take} onClose={onClose} />
    </section>
  )
}
