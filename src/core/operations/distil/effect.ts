import { distilled } from '../../matter/distilled'
import { vesselAt, vesselNamed, type Bench } from '../../matter/state'
import { movesOn } from '../../matter/verbs'
import type { Doing, MatterEffect } from '../../matter/walk'

const figure = (value: unknown): number | undefined => (typeof value === 'number' ? value : undefined)

/** The pot: that of the distillation which goes on into another receiver, or where the work stands. */
const potOf = ({ still, at }: Bench): string => still ?? at

/** By vapour pressure over all that is in the pot, into a receiver by its window. */
export const distilEffect: MatterEffect = (bench, doing: Doing, world) => {
  const { lowC, highC, stopML, stages, holdUpML, potML } = doing.typed
  const title = `“${doing.step.title}”`
  // Nobody distils from a funnel: what it holds is in the pot by then.
  const there =
    bench.still === undefined && vesselAt(bench).kind === 'separating funnel'
      ? movesOn(bench, { name: `pot of ${title}`, kind: 'round-bottom', ...(typeof potML === 'number' ? { sizeML: potML } : {}) })
      : bench
  const pot = potOf(there)
  doing.during(vesselNamed(there, pot) ? { ...there, at: pot } : there)
  const over = distilled(
    there,
    {
      pot,
      receiver: `distillate of ${title}`,
      forerun: `forerun of ${title}`,
      ...{ lowC: figure(lowC), highC: figure(highC), stopML: figure(stopML) },
      ...{ stages: figure(stages) ?? 0, holdUpML: figure(holdUpML) ?? 0 },
    },
    world,
  )
  if (over) return over
  world.note({
    kind: 'cannot be told',
    what: 'what comes over',
    mends: 'amounts and boiling points of what is in the pot',
    vessel: vesselAt({ ...there, at: pot }).name,
  })
  return there
}
