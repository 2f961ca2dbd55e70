import { defaultLab, type Lab } from '../lab/lab'
import type { Plan } from '../plan/plan'
import { reactionTable } from '../reaction/reactionTable'
import { closeReactants } from './closeReactants'
import { operationDoubts } from './operationDoubts'
import { lineUse } from './lineUse'
import { notMeasured } from './notMeasured'
import { missingAmount } from './missingAmount'
import { orderOfWork } from './orderOfWork'
import type { Query, QueryRule } from '../operations/query'
import { smallAmount } from './smallAmount'
import { unbalanced } from './unbalanced'
import { vesselFill } from './vesselFill'
import { acidAndBase } from './acidAndBase'
import { apparatusChecks } from './apparatusChecks'
import { bottleStrength } from './bottleStrength'
import { incompatible } from './incompatible'
import { records } from './records'
import { undriedSolids } from './undriedSolids'
import { unusualAmount } from './unusualAmount'
import { unusualFigure } from './unusualFigure'
import { unknownBlank } from './unknownBlank'
import { unknownClasses } from './unknownClasses'
import { wasteMeets } from './wasteMeets'
import { wasteStreams } from './wasteStreams'

const rules: readonly QueryRule[] = [
  unbalanced,
  missingAmount,
  closeReactants,
  smallAmount,
  lineUse,
  unknownBlank,
  orderOfWork,
  notMeasured,
  vesselFill,
  unusualAmount,
  unusualFigure,
  bottleStrength,
  apparatusChecks,
  incompatible,
  unknownClasses,
  acidAndBase,
  undriedSolids,
  records,
  wasteStreams,
  wasteMeets,
  operationDoubts,
]

/** Every query that a plan raises in a laboratory, each with the author's answer where there is one. */
export function queriesOf(plan: Plan, table = reactionTable(plan), lab: Lab = defaultLab): (Query & { answer?: string })[] {
  return rules
    .flatMap((rule) => rule(plan, table, lab))
    .map((query) => ({ ...query, answer: plan.answers.find((answer) => answer.query === query.id)?.reason }))
}
