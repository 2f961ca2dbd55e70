'use client'

import { headsUpTo, windowOf } from '@/core/operations/distil/receivers'
import { type DistilBlanks } from '@/core/operations/distil/blanks'
import type { Context } from '@/core/operations/planner'
import { ReadingsChart } from './ReadingsChart'

/** What a run has read at the head against what was over, receiver after receiver, with the window of this step. */
export function HeadPicture({ context, filled }: { context: Context; filled: DistilBlanks }) {
  return (
    <ReadingsChart
      title="Head as it was read, against all that is over; the window is shaded"
      against="mL over"
      readings={headsUpTo(context).map(({ volumeML, headC }) => ({ at: volumeML, celsius: headC }))}
      {...windowOf(context, filled)}
    />
  )
}
