'use client'

import { useEffect, useMemo, useState } from 'react'
import type { Lab } from '@/core/lab/lab'
import type { Step } from '@/core/plan/plan'
import type { RunState } from '@/core/run/foldRun'
import { withTheRest } from './later'

const load = withTheRest(() => import('./ourFigures').then((module) => module.ourFigures))

/** The figures in the words of a step: those of the plan, as the server has worked them out, and those of this bench as soon as what works them out has come. */
export function useOurFigures(
  run: RunState,
  step: Step,
  lab: Lab,
  planned: Readonly<Record<string, string>> | undefined,
): Readonly<Record<string, string>> | undefined {
  const [work, setWork] = useState<Awaited<ReturnType<typeof load>>>()
  const named = planned !== undefined
  useEffect(() => {
    if (!named) return
    let gone = false
    load().then(
      (found) => !gone && setWork(() => found),
      () => {
        // The plan's figures stand until it comes.
      },
    )
    return () => {
      gone = true
    }
  }, [named])
  return useMemo(() => (planned && work ? { ...planned, ...work(run, step, lab) } : planned), [planned, work, run, step, lab])
}
