import { writeNumber } from '../../quantity/write'
import { typedFor } from '../../plan/typedFor'
import type { StepRule } from '../query'
import { isWatery } from '../vessel/watery'

/** A wash is a tenth to a half of the organic layer; a small preparation needs more to shake with, but hardly this many times its volume. */
const largeWash = 2.5

/** A wash far larger than the layer. */
export const farLarger: StepRule = ({ step, now }) => {
  const volume = (watery: boolean) =>
    now.contents.filter((content) => isWatery(content) === watery).reduce((sum, { volumeML }) => sum + (volumeML ?? 0), 0)
  const [wash, layer] = [volume(true) / Number(typedFor(step).portions ?? 1), volume(false)]
  if (layer <= 0 || wash <= largeWash * layer) return []
  return [
    {
      id: `large-wash-${step.id}`,
      about: step.id,
      title: 'The wash is far larger than the layer',
      evidence: `${writeNumber(wash, 0)} mL against about ${writeNumber(layer, 0)} mL: a wash is a tenth to a half of the layer, twice or three times. What dissolves a little in water is lost with so much of it.`,
    },
  ]
}
