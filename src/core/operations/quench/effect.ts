import { vesselNamed } from '../../matter/state'
import { goesIn, movesOn } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Acid, base or water meets what is there, in the flask that is named or in a vessel of its own, and does all that it can. */
export const quenchEffect: MatterEffect = (bench, doing, world) => {
  const flask = doing.typed.flask
  const named = typeof flask === 'string' && vesselNamed(bench, flask) ? { ...bench, at: flask } : undefined
  const moved = named ?? (doing.step.vessel ? bench : movesOn(bench, { name: `vessel of “${doing.step.title}”` }))
  const filled = goesIn(moved, doing.brings, world)
  doing.during(filled)
  return doing.reacts(filled)
}
