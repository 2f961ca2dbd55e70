import { filtered } from '../../matter/filtered'
import { isEmpty, vesselAt } from '../../matter/state'
import { movesOn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** The liquid is poured off what lies at the bottom, and the work goes on with it. */
export const decantEffect: MatterEffect = (bench, doing, world) => {
  doing.during(bench)
  const title = `“${doing.step.title}”`
  if (isEmpty(vesselAt(bench))) return movesOn(bench, { name: `vessel of ${title}` })
  return filtered(
    bench,
    doing.brings,
    { keep: 'solution', times: 1, solid: `residue of ${title}`, liquid: `liquid of ${title}`, kept: 'rest' },
    world,
  )
}
