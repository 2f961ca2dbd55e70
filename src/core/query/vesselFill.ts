import { fullest } from '../operations/vessel/fullest'
import { fillRule, fittingSize } from '../operations/vessel/vessel'
import { changeStep } from '../plan/editPlan'
import { writeNumber } from '../quantity/write'
import type { QueryRule } from '../operations/query'

/** A vessel that is too full or too empty with everything in; offers the standard size that fits. */
export const vesselFill: QueryRule = (plan, table, lab) =>
  plan.steps.flatMap((step) => {
    if (!step.vessel) return []
    const { kind, sizeML } = step.vessel
    const { mL: volume, foams } = fullest(plan, table, lab, step.id)
    const { most } = fillRule[kind]
    // What foams may have all the room that its author gives it.
    const least = foams ? 0 : fillRule[kind].least
    const share = volume / sizeML
    if (volume === 0 || (share <= most && share >= least)) return []
    const fitting = fittingSize(kind, volume)
    // Between two sizes the larger is right.
    if (share < least && fitting === null) return []
    return [
      {
        id: `vessel-${step.id}`,
        about: step.id,
        title: share > most ? 'The vessel is too full' : 'The vessel is too large',
        evidence: `About ${writeNumber(volume, 0)} mL in a ${sizeML} mL ${kind}: ${writeNumber(100 * share, 0)} % full; it should be ${least > 0 ? `between ${writeNumber(100 * least, 0)} and ` : 'at most '}${writeNumber(100 * most, 0)} %.${fitting === null ? ' No standard size fits: divide the batch.' : ''}`,
        ...(fitting === null
          ? {}
          : {
              remedy: {
                label: `Take ${fitting} mL`,
                apply: (current) => changeStep(current, step.id, { vessel: { kind, sizeML: fitting } }),
              },
            }),
      },
    ]
  })
