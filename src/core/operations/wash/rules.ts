import { writeNumber } from '../../quantity/write'
import { volumeOf } from '../../matter/phase'
import { layersHere } from '../extract/layersHere'
import type { StepRule } from '../planner'

/** A wash is a tenth to a half of the organic layer; a small preparation needs more to shake with, but hardly this many times its volume. */
const largeWash = 2.5

/** A wash far larger than the layer. */
export const farLarger: StepRule = (context) => {
  const { step } = context
  const here = layersHere(context)
  if (!here || here.shaken.kind !== 'organic' || here.shaken.mL <= 0) return []
  const [wash, layer] = [volumeOf(here.watery).mL, here.shaken.mL]
  if (wash <= largeWash * layer) return []
  return [
    {
      id: `large-wash-${step.id}`,
      about: step.id,
      title: 'The wash is far larger than the layer',
      evidence: `${writeNumber(wash, 0)} mL against about ${writeNumber(layer, 0)} mL: a wash is a tenth to a half of the layer, twice or three times. What dissolves a little in water is lost with so much of it.`,
    },
  ]
}
