import type { Standing, Taken } from '../measurements/measurement'
import { correctedRange } from '../measurements/melting'
import { measurementIn } from '../operations/readings'
import { median } from '../quantity/median'
import { writeFigureText, writeNumber } from '../quantity/write'
import type { Entry } from './entry'
import type { RunState } from './foldRun'
import type { StepState } from './stepState'

/** What the other benches of a session have found in a step: the middle of it, and how many they are. */
export interface Usual {
  /** g or mL at scale 1, or °C. */
  middle: number
  of: number
}

/** The same by step. No bench's own figures stand in it. */
export type UsualOfClass = Readonly<Record<string, Usual>>

/** Fewer than this say nothing of what is usual. */
const fewest = 3
/** A sample so many times heavier or lighter than that of the others at the same scale is asked about. */
const unlikeBy = 2
/** So far from the others a melting range is asked about, K. */
const unlikeK = 10

/** What a step comes to that can be held against others: what was weighed of a sample, or the middle of a melting range. */
function comparable({ step, net, standing }: Pick<StepState, 'step' | 'net'> & { standing: readonly Standing[] }): number | null {
  if (step.kind === 'weigh' || step.kind === 'dry') return net?.figure.value ?? null
  const range = standing.findLast(({ kind }) => kind === 'melting') as Entry<'melting'> | undefined
  if (step.kind !== 'melt' || !range) return null
  const { onsetC, clearC } = correctedRange(range.body)
  return (onsetC + clearC) / 2
}

/** What is usual in a class, from its runs, each with its scale. */
export function usualOfClass(runs: readonly { scale: number; state: RunState }[]): UsualOfClass {
  const found = new Map<string, number[]>()
  for (const { scale, state } of runs)
    for (const each of state.steps) {
      const value = comparable(each)
      if (value === null) continue
      found.set(each.step.id, [...(found.get(each.step.id) ?? []), each.step.kind === 'melt' ? value : value / scale])
    }
  return Object.fromEntries(
    [...found].flatMap(([step, values]) =>
      values.length < fewest ? [] : [[step, { middle: median(values), of: values.length }]],
    ),
  )
}

/** Asked where a figure is unlike those of the other benches; null where it is like them, or nobody knows theirs. `taken` holds the entry. */
export function unlikeOthers(scale: number, taken: Taken, others: UsualOfClass): string | null {
  const { step, standing } = taken
  const usual = Object.hasOwn(others, step.id) ? others[step.id] : undefined
  if (!usual) return null
  const net = measurementIn(step).net?.(taken) ?? null
  const value = comparable({ step, net, standing })
  if (value === null || value <= 0) return null
  const theOthers = `The ${usual.of} other benches`
  if (step.kind === 'melt') {
    if (Math.abs(value - usual.middle) <= unlikeK) return null
    return `${theOthers} melt at about ${writeNumber(usual.middle, 0)} °C. Is ${writeNumber(value, 0)} °C right?`
  }
  const middle = usual.middle * scale
  if (value / middle <= unlikeBy && value / middle >= 1 / unlikeBy) return null
  return `${theOthers} have about ${writeNumber(middle, 2)} g at our scale. Is ${writeFigureText(net!.figure, 'mass')} right?`
}
