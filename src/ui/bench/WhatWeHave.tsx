import { useMemo, useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import { asReadings } from '@/core/operations/vessel/stoodAt'
import type { Step } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import type { RunState } from '@/core/run/foldRun'
import { measuredOf } from '@/core/run/measured'
import { WhatIsIn } from '../vessel/WhatIsIn'

/** What stands in the vessels of this bench, with the amounts that it has charged and measured; opened on request. */
export function WhatWeHave({ run, step, lab }: { run: RunState; step: Step; lab: Lab }) {
  const [open, setOpen] = useState(false)
  return (
    <div className="what-we-have">
      <button type="button" className="plain" aria-expanded={open} onClick={() => setOpen(!open)}>
        What is in it
      </button>
      {open && <Ours run={run} step={step} lab={lab} />}
    </div>
  )
}

function Ours({ run, step, lab }: { run: RunState; step: Step; lab: Lab }) {
  const { table, readings } = useMemo(
    () => ({ table: reactionTable(run.plan, run.charged), readings: asReadings(measuredOf(run)) }),
    [run],
  )
  return <WhatIsIn plan={run.plan} table={table} step={step} lab={lab} readings={readings} />
}
