import type { Measurement, Taken } from './measurement'
import { numberDue, readingIn, volumeOf, type NumberBody } from './numbers'
import { farFromPlan } from './odd'

const net = ({ step, standing }: Taken) => volumeOf(readingIn(standing, 'volume'), step.kind === 'charge' ? step.device : '')

/** A volume of what is charged, read once. */
export const volume: Measurement = {
  written: (of) => `volume of ${of}`,
  numbers: { volume: { unit: 'mL', label: ({ kind }) => (kind === 'crystallise' ? 'Hot solvent used' : 'Volume') } },
  once: ['volume'],
  due: ({ step }) =>
    step.kind === 'charge'
      ? numberDue(
          'volume',
          { label: `Volume of ${step.container}`, hint: 'Read the bottom of the meniscus, one digit below the graduation.' },
          'mL',
          step.device,
        )
      : null,
  net,
  isOver: (_taken, found) => found !== null,
  question: (entry, taken, { planned, mayDiffer }) => {
    if (entry.kind !== 'reading' || (entry.body as NumberBody).slot !== 'volume') return null
    const found = net(taken)
    if (!found) return null
    if (found.figure.value <= 0) return 'Nothing was charged, by this reading. Is it the volume that went in?'
    return planned ? farFromPlan(found, planned, mayDiffer) : null
  },
}
