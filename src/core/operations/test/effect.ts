import { withVessel } from '../../matter/state'
import { brings, freshName } from '../../matter/verbs'
import type { MatterEffect } from '../../matter/walk'

/** Drops of a sample and what is named stand in tubes of their own; the vessel of the work keeps what it has. */
export const besideEffect: MatterEffect = (bench, doing) => {
  const { liquid, solid } = doing.brings
  doing.during(bench)
  if (liquid.length === 0 && solid.length === 0) return bench
  return withVessel(brings(bench, doing.brings), {
    name: freshName(bench, `tubes of “${doing.step.title}”`),
    kept: 'rest',
    atC: 20,
    phases: [
      ...(liquid.length > 0 ? [{ kind: 'organic' as const, holds: liquid }] : []),
      ...(solid.length > 0 ? [{ kind: 'solid' as const, holds: solid }] : []),
    ],
  })
}
