'use client'

import { useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { RunState } from '@/core/run/foldRun'
import type { StepState } from '@/core/run/stepState'
import { later } from './later'
import type { Write } from './write'

const Observe = later(() => import('./Observe').then((module) => module.Observe))
const ClockForm = later(() => import('./beside/ClockForm').then((module) => module.ClockForm))
const VesselsPanel = later(() => import('./beside/VesselsPanel').then((module) => module.VesselsPanel))
const OwnStepForm = later(() => import('./beside/OwnStepForm').then((module) => module.OwnStepForm))
const PoolForm = later(() => import('./beside/PoolForm').then((module) => module.PoolForm))

const words = {
  see: 'Write what we see',
  clock: 'A clock',
  vessels: 'Our vessels',
  step: 'A further step',
  pool: 'Put together',
} as const

type Panel = keyof typeof words

/** What may be written at any moment of a step, beside what is due: each behind one press. */
export function Besides({
  run,
  state,
  lab,
  bench,
  zone,
  write,
}: {
  run: RunState
  state: StepState
  lab: Lab
  bench: number
  zone: string
  write: Write
}) {
  const [open, setOpen] = useState<Panel>()
  const close = () => setOpen(undefined)
  const { step } = state
  const index = run.steps.indexOf(state)
  // What is now waits for what is put in; behind a step that is over, or one still to come, it follows.
  const after = state.status !== 'now' || index === 0
  const at = after ? step.id : run.steps[index - 1]!.step.id
  const shared = { write, onClose: close }
  if (open === 'see') return <Observe step={step} {...shared} />
  if (open === 'clock') return <ClockForm run={run} step={step} zone={zone} {...shared} />
  if (open === 'vessels') return <VesselsPanel run={run} step={step} lab={lab} bench={bench} zone={zone} {...shared} />
  if (open === 'step') return <OwnStepForm run={run} at={at} after={after} {...shared} />
  if (open === 'pool') return <PoolForm run={run} {...shared} />
  const here = run.vessels.filter(({ emptied }) => !emptied).length
  const offered = (Object.keys(words) as Panel[]).filter((panel) => panel !== 'pool' || Object.keys(run.samples).length > 0)
  return (
    <section className="pad also" aria-label="Besides">
      {offered.map((panel) => (
        <button key={panel} type="button" className="plain" onClick={() => setOpen(panel)}>
          {words[panel]}
          {panel === 'vessels' && here > 0 && ` (${here})`}
        </button>
      ))}
    </section>
  )
}
