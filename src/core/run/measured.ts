import type { Measured } from '../operations/planner'
import { headsIn } from '../measurements/head'
import { readingsIn } from '../measurements/numbers'
import { markedAt } from '../measurements/press'
import { titresOf } from '../measurements/titre'
import type { Entry } from './entry'
import type { RunState } from './foldRun'
import { goesOnWithG } from './pools'

const minutes = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 60_000

/** What a run has measured, as the planners take it: they then say with real figures what they said with planned ones. */
export function measuredOf(run: RunState): Measured {
  const of = <T>(pick: (state: RunState['steps'][number]) => T | null): Record<string, T> =>
    Object.fromEntries(
      run.steps.flatMap((state) => {
        const found = pick(state)
        return found === null ? [] : [[state.step.id, found]]
      }),
    )
  return {
    samples: Object.fromEntries(
      Object.entries(run.samples).map(([name, { mass }]) => [name, goesOnWithG(mass.value, run.pools[name])]),
    ),
    usedML: of(({ step, net, standing }) => {
      if (step.kind !== 'crystallise') return null
      const soFar = readingsIn(standing, 'portion').reduce((sum, { body }) => sum + body.value, 0)
      return net?.figure.value ?? (soFar > 0 ? soFar : null)
    }),
    temperatures: of((state) => {
      const readings = readingsIn(state.standing, 'temperature')
      // Under reflux the time counts from the onset, else from when the heat or the clock began.
      const from = markedAt(state, 'onset') ?? markedAt(state, 'start') ?? readings[0]?.at
      if (readings.length === 0 || !from) return null
      return readings.map(({ at, body }) => ({ atMin: minutes(from, at), celsius: body.value }))
    }),
    heads: of(({ standing }) => {
      const heads = headsIn(standing)
      return heads.length > 0 ? heads.map(({ body }) => ({ volumeML: body.volumeML, headC: body.headC })) : null
    }),
    windows: of(
      ({ standing }) => (standing.findLast((entry) => entry.kind === 'window') as Entry<'window'> | undefined)?.body ?? null,
    ),
    pH: of(({ standing }) => readingsIn(standing, 'pH').at(-1)?.body.value ?? null),
    titresML: of(({ standing }) => {
      const titres = titresOf(standing)
      return titres.length > 0 ? titres : null
    }),
    weighings: of(({ net }) => {
      const series = net?.series
      return series && series.length > 0 ? series.map(({ massG, at }) => ({ massG, atMin: minutes(series[0]!.at, at) })) : null
    }),
  }
}
