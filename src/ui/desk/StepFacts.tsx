import dynamic from 'next/dynamic'
import { useMemo } from 'react'
import type { Lab } from '@/core/lab/lab'
import { pictogramsIn } from '@/core/operations/vessel/pictogramsIn'
import { readingsOf } from '@/core/operations/readings'
import type { Plan, Step } from '@/core/plan/plan'
import type { ReactionTable } from '@/core/reaction/reactionTable'
import { Pictogram } from '../figures/Pictogram'
import { orSaid } from '../operation/orSaid'
import { useSettled } from './useSettled'

const WhatIsIn = dynamic(() => orSaid(import('../vessel/WhatIsIn').then((module) => module.WhatIsIn)))

/** So long the keys rest before the vessels are worked out anew, ms. */
const restMs = 250

/** What follows from the steps before: what stands in the vessels and how full they are, its hazards, and the readings that are due. */
export function StepFacts({ plan, table, step, lab }: { plan: Plan; table: ReactionTable; step: Step; lab: Lab }) {
  const now = useMemo(() => ({ plan, table }), [plan, table])
  // No key waits for what follows from it.
  const rested = useSettled(now, true, restMs)
  const pictograms = useMemo(() => pictogramsIn(rested.plan, rested.table, step, lab), [rested, step, lab])
  const readings = readingsOf(plan, step)
  return (
    <div className="wide facts">
      <WhatIsIn plan={rested.plan} table={rested.table} step={step} lab={lab} />
      {pictograms.length > 0 && (
        <span className="pictograms">
          {pictograms.map((code) => (
            <Pictogram key={code} code={code} />
          ))}
        </span>
      )}
      {readings !== '' && (
        <p>
          <b>To be written down:</b> {readings}
        </p>
      )}
    </div>
  )
}
