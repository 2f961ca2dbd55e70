'use client'

import { number, type Context, type Filled } from '@/core/operations/planner'
import { ReadingsChart } from './ReadingsChart'

/** Temperatures that a run has written at this step, with the band they should stay in; what is cooled has an upper end only. */
export function BandPicture({ context, filled }: { context: Context; filled: Filled }) {
  const readings = context.measured?.temperatures[context.step.id] ?? []
  const coldest = Math.min(...readings.map(({ celsius }) => celsius))
  const band =
    filled.toC === undefined
      ? { lowC: number(filled, 'lowC'), highC: number(filled, 'highC') }
      : { lowC: Math.min(coldest, number(filled, 'toC')), highC: number(filled, 'toC') }
  return (
    <ReadingsChart
      title="Temperature, with the band to hold"
      against="min"
      readings={readings.map(({ atMin, celsius }) => ({ at: atMin, celsius }))}
      {...band}
    />
  )
}
