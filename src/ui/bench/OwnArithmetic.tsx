'use client'

import { useState } from 'react'
import { isReactant } from '@/core/plan/plan'
import { readFigure } from '@/core/quantity/readQuantity'
import { checkArithmetic } from '@/core/result/arithmetic/checkArithmetic'
import { runResults } from '@/core/result/runResults'
import type { EntryBodies } from '@/core/run/entry'
import type { RunState } from '@/core/run/foldRun'
import { ArithmeticTable } from '../results/ArithmeticTable'
import type { Write } from './write'

/** At the end the group works its figures out by itself; then the program says, step by step, where one went wrong. */
export function OwnArithmetic({ run, write }: { run: RunState; write: Write | null }) {
  const results = runResults(run)
  const reactants = results.table.lines.filter(({ line, amount }) => isReactant(line) && amount)
  const [texts, setTexts] = useState<Record<string, string>>({})
  const [limiting, setLimiting] = useState('')
  const [problem, setProblem] = useState<string>()
  const [again, setAgain] = useState(false)
  const { worked } = run
  const last = run.steps.at(-1)!.step.id
  const put = (key: string) => (event: { currentTarget: HTMLInputElement }) =>
    setTexts({ ...texts, [key]: event.currentTarget.value })
  if (worked && !again)
    return (
      <section aria-label="Our own arithmetic">
        <h2>Our own arithmetic</h2>
        <ArithmeticTable checked={checkArithmetic(run, results, worked)} />
        {write && (
          <button type="button" className="plain" onClick={() => setAgain(true)}>
            Work it out again
          </button>
        )}
      </section>
    )
  if (!write || results.kind !== 'yield' || reactants.length === 0) return null
  const check = () => {
    const body: EntryBodies['worked'] = { amounts: [] }
    for (const [key, text] of Object.entries(texts)) {
      if (text.trim() === '') continue
      const read = readFigure(text, key === 'theory' ? 'g' : key === 'percent' ? '%' : 'mmol')
      if (!read.ok || !(read.value.value > 0)) return setProblem(`“${text}” is no figure: a number such as 43.5 is wanted.`)
      if (key === 'theory') body.theoreticalG = read.value.value
      else if (key === 'percent') body.percent = read.value.value
      else body.amounts.push({ line: key, mmol: read.value.value })
    }
    if (limiting !== '') body.limiting = limiting
    if (body.amounts.length === 0 && !body.limiting && body.theoreticalG === undefined && body.percent === undefined)
      return setProblem('Work something out first: an amount, the theoretical yield, the percent yield.')
    setProblem(undefined)
    setAgain(false)
    write('worked', last, body)
  }
  return (
    <section aria-label="Our own arithmetic" className="own-arithmetic">
      <h2>Work it out yourselves</h2>
      <p className="hint">
        From what you charged and weighed, as it stands in the steps. Afterwards you see where a figure went wrong, and why.
      </p>
      {reactants.map(({ line, substance }) => (
        <label key={line.id}>
          amount of {substance.name}
          <span>
            <input inputMode="decimal" autoComplete="off" value={texts[line.id] ?? ''} onChange={put(line.id)} /> mmol
          </span>
        </label>
      ))}
      {reactants.length > 1 && (
        <div className="choice" role="group" aria-label="Limiting reagent">
          {reactants.map(({ line, substance }) => (
            <button key={line.id} type="button" aria-pressed={limiting === line.id} onClick={() => setLimiting(line.id)}>
              {substance.name} limits
            </button>
          ))}
        </div>
      )}
      <label>
        theoretical yield
        <span>
          <input inputMode="decimal" autoComplete="off" value={texts.theory ?? ''} onChange={put('theory')} /> g
        </span>
      </label>
      <label>
        percent yield
        <span>
          <input inputMode="decimal" autoComplete="off" value={texts.percent ?? ''} onChange={put('percent')} /> %
        </span>
      </label>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={check}>
        Check our arithmetic
      </button>
    </section>
  )
}
