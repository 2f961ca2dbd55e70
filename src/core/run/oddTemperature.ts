import type { Standing, Taken } from '../measurements/measurement'
import { readingsIn, type NumberBody } from '../measurements/numbers'
import { typedFor } from '../plan/typedFor'
import { writeNumber } from '../quantity/write'
import { operationIn } from '../operations/registry'

/** From one reading to the next a liquid in glass does not change by so much; a slip does, K. */
const jumpK = 50

/** Asked about a temperature that stands above what the step allows, or far from the one before; null where nothing is odd. */
export function oddTemperature(entry: Standing, { step, standing }: Taken): string | null {
  if (entry.kind !== 'reading' || (entry.body as NumberBody).slot !== 'temperature') return null
  const { value, decimals } = entry.body as NumberBody
  const shown = `${writeNumber(value, decimals)} °C`
  const key = operationIn(step)?.ceiling
  const ceiling = key === undefined ? undefined : typedFor(step)[key]
  if (typeof ceiling === 'number' && value > ceiling)
    return `${shown} is above the ${writeNumber(ceiling, 0)} °C of the plan. Is it read right? If it is, take the heat away.`
  const before = readingsIn(standing, 'temperature')
    .filter(({ id }) => id !== entry.id)
    .at(-1)
  if (!before || Math.abs(value - before.body.value) <= jumpK) return null
  return `The last reading was ${writeNumber(before.body.value, before.body.decimals)} °C. Is ${shown} right?`
}
