'use client'

import type { Context } from '@/core/operations/planner'
import { ReadingsChart } from './ReadingsChart'

/** Where a band has two ends, or an upper one. */
export type Band = { lowC: number; highC: number } | { toC: number }

/** Temperatures that a run has written at this step, with the band they should stay in; what is cooled has an upper end only. */
export function BandPicture({ context, filled }: { context: Context; filled: Band }) {
  const readings = context.measured?.temperatures[context.step.id] ?? []
  const coldest = Math.min(...readings.map(({ celsius }) => celsius))
  const band =
    'toC' in filled ? { lowC: Math.min(coldest, filled.toC), highC: filled.toC } : { lowC: filled.lowC, highC: filled.highC }
  return (
    <ReadingsChart
      title="Temperature, with the band to hold"
      against="min"
      readings={readings.map(({ atMin, celsius }) => ({ at: atMin, celsius }))}
      {...band}
    />
  )
}
