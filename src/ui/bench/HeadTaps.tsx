import { useState } from 'react'
import { writeNumber } from '@/core/quantity/write'
import type { EntryBodies } from '@/core/run/entry'

const stepsML = [0.5, 1, 2, 5] as const
const changesK = [-1, 0, 1, 2] as const

/** What a tap stood for last: the pad begins anew with each line. */
let lastML = 1

/** A line of the distillation by a single tap: so much more in the receiver, and what the head does against the line before. */
export function HeadTaps({ last, onTap }: { last: EntryBodies['head']; onTap: (body: EntryBodies['head']) => void }) {
  const [stepML, setStepML] = useState(lastML)
  return (
    <div className="head-taps">
      <div className="choice four" role="group" aria-label="A tap stands for so much more">
        {stepsML.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={stepML === each}
            onClick={() => {
              lastML = each
              setStepML(each)
            }}
          >
            {each} mL
          </button>
        ))}
      </div>
      <div className="choice four" role="group" aria-label="One tap writes the line">
        {changesK.map((change) => {
          const headC = Number((last.headC + change).toFixed(last.decimals))
          const volumeML = Number((last.volumeML + stepML).toFixed(1))
          return (
            <button
              key={change}
              type="button"
              aria-label={`${writeNumber(volumeML, 1)} mL at ${writeNumber(headC, last.decimals)} °C`}
              onClick={() => onTap({ volumeML, volumeDecimals: last.volumeDecimals, headC, decimals: last.decimals })}
            >
              {writeNumber(headC, last.decimals)} °C
            </button>
          )
        })}
      </div>
    </div>
  )
}
