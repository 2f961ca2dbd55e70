'use client'

import { useState } from 'react'
import { mainSubstance } from '@/core/plan/plan'
import { writeFigureText } from '@/core/quantity/write'
import { resultName } from '@/core/result/outcome'
import { runResults } from '@/core/result/runResults'
import type { RunState } from '@/core/run/foldRun'
import { State } from '../figures/State'
import { OwnArithmetic } from './OwnArithmetic'
import type { Write } from './write'

/** The end of a run: what the group works out by itself first, then every result that it has, with its reading. */
export function AllDone({ run, readCode, write }: { run: RunState; readCode: string | null; write: Write | null }) {
  const results = runResults(run)
  const [shown, setShown] = useState(false)
  // A yield that is told before it is worked out is never worked out.
  const first = write !== null && !shown && !run.worked && results.result?.kind === 'yield' && results.limiting.length > 0
  if (first)
    return (
      <>
        <h1>All steps are done</h1>
        <OwnArithmetic run={run} write={write} />
        <button type="button" className="plain" onClick={() => setShown(true)}>
          Show us the results without it
        </button>
      </>
    )
  const product = mainSubstance(run.plan)?.name
  return (
    <>
      <h1>All steps are done</h1>
      <div className="wrote">
        {results.theoretical && (
          <div className="written">
            <span>Theoretical yield of {product}, from what we charged</span>
            <b className="fig">{writeFigureText(results.theoretical, 'mass')}</b>
          </div>
        )}
        {results.outcomes.map(({ key, quantity, of, sample, from, dry, text, judgement }) => (
          <div className="written" key={key}>
            <span>
              {resultName(quantity, of)}
              {from && `, ${sample && quantity !== 'mass balance' ? `${sample}, ` : ''}of ${from}`}
              {dry === null ? '' : dry ? ', dry' : ', wet'}
              {judgement && judgement.evidence !== results.judgement.evidence && (
                <small className="quiet"> {judgement.words}</small>
              )}
            </span>
            <b className="fig">{text}</b>
          </div>
        ))}
      </div>
      <OwnArithmetic run={run} write={write} />
      <p className="text">
        <State level={results.judgement.level}>{results.judgement.words}</State>
      </p>
      <p>{results.judgement.evidence}</p>
      <p>
        <a href="/bench/record">Our record, to read and print</a>
      </p>
      {readCode && (
        <p>
          To read this run later, also after the session, type <b className="fig">{readCode}</b> where a bench code is asked for.
        </p>
      )}
    </>
  )
}
