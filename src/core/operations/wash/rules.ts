import { writeNumber } from '../../quantity/write'
import { typedFor } from '../../plan/typedFor'
import { layersHere } from '../extract/layersHere'
import { shakenWith } from '../extract/shakenWith'
import type { StepRule } from '../planner'

/** A wash is a tenth to a half of the organic layer; a small preparation needs more to shake with, but hardly this many times its volume. */
const largeWash = 2.5

/** So much is shaken in the smallest funnel whatever the layer is, mL; judgement. */
const leastToShake = 20

/** A wash far larger than the layer. */
export const farLarger: StepRule = (context) => {
  const { step } = context
  const here = layersHere(context)
  if (!here || here.shaken.kind !== 'organic' || here.shaken.mL <= 0) return []
  const { portions } = typedFor(step)
  const all = shakenWith(context.table, step)?.volumeML ?? 0
  const [wash, layer] = [typeof portions === 'number' && portions >= 1 ? all / portions : all, here.shaken.mL]
  if (wash <= largeWash * layer || wash <= leastToShake) return []
  return [
    {
      id: `large-wash-${step.id}`,
      about: step.id,
      title: 'The wash is far larger than the layer',
      evidence: `${writeNumber(wash, 0)} mL against about ${writeNumber(layer, 0)} mL: a wash is a tenth to a half of the layer, twice or three times. What dissolves a little in water is lost with so much of it.`,
    },
  ]
}
