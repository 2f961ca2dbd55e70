'use client'

import { useEffect, useRef, useState } from 'react'
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
  const box = useFocusIn(open)
  const panel =
    open === 'see' ? (
      <Observe step={step} {...shared} />
    ) : open === 'clock' ? (
      <ClockForm run={run} step={step} zone={zone} {...shared} />
    ) : open === 'vessels' ? (
      <VesselsPanel run={run} step={step} lab={lab} bench={bench} zone={zone} {...shared} />
    ) : open === 'step' ? (
      <OwnStepForm run={run} at={at} after={after} {...shared} />
    ) : open === 'pool' ? (
      <PoolForm run={run} {...shared} />
    ) : null
  const here = run.vessels.filter(({ emptied }) => !emptied).length
  const offered = (Object.keys(words) as Panel[]).filter((each) => each !== 'pool' || Object.keys(run.samples).length > 0)
  return (
    <div ref={box}>
      {panel ?? (
        <section className="pad also" aria-label="Besides">
          {offered.map((each) => (
            <button key={each} type="button" className="plain" data-panel={each} onClick={() => setOpen(each)}>
              {words[each]}
              {each === 'vessels' && here > 0 && ` (${here})`}
            </button>
          ))}
        </section>
      )}
    </div>
  )
}

/** A panel that opens has the focus, and its button when it is closed again: who works by keys does not begin anew. */
function useFocusIn(open: Panel | undefined) {
  const box = useRef<HTMLDivElement>(null)
  const last = useRef<Panel>(undefined)
  useEffect(() => {
    if (open === undefined) {
      if (last.current) box.current?.querySelector<HTMLElement>(`[data-panel="${last.current}"]`)?.focus()
      last.current = undefined
      return
    }
    last.current = open
    // A part that comes later is not there yet.
    const timer = setInterval(() => {
      const section = box.current?.querySelector<HTMLElement>('section')
      if (!section) return
      clearInterval(timer)
      section.tabIndex = -1
      section.focus({ preventScroll: true })
    }, 30)
    return () => clearInterval(timer)
  }, [open])
  return box
}
