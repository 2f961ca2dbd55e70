import type { Step } from '../plan/plan'
import type { MatterEffect, MatterOperation } from '../matter/walk'
import { assembleEffect } from './assemble/effect'
import { chargeEffect } from './charge/effect'
import { columnEffect } from './column/effect'
import { coolEffect } from './cool/effect'
import { crystalliseEffect } from './crystallise/effect'
import { decantEffect } from './decant/effect'
import { disposeEffect, putAway } from './dispose/effect'
import { dissolveEffect } from './dissolve/effect'
import { distilEffect } from './distil/effect'
import { dryEffect } from './dry/effect'
import { drySolutionEffect } from './dry-solution/effect'
import { evaporateEffect } from './evaporate/effect'
import { shakeEffect } from './extract/effect'
import { filterEffect } from './filter/effect'
import { heatEffect } from './heat/effect'
import { holdEffect } from './hold/effect'
import { makeUpEffect } from './make-up/effect'
import { ownEffect } from './own-made/effect'
import { pourEffect } from './pour/effect'
import { quenchEffect } from './quench/effect'
import { refluxEffect } from './reflux/effect'
import { operationOf, type OperationKey } from './registry'
import { sublimeEffect } from './sublime/effect'
import { besideEffect } from './test/effect'
import { weighEffect } from './weigh/effect'

/** Nothing is moved, and nothing goes in. */
const nothing: MatterEffect = (bench, doing) => {
  doing.during(bench)
  return bench
}

/** What each operation does to matter. */
const byOperation: Readonly<Record<OperationKey, MatterOperation>> = {
  safety: { effect: nothing },
  assemble: { effect: assembleEffect },
  charge: { effect: chargeEffect },
  add: { effect: chargeEffect },
  rinse: { effect: chargeEffect },
  dilute: { effect: dissolveEffect },
  dissolve: { effect: dissolveEffect },
  reflux: { effect: refluxEffect, holds: true },
  heat: { effect: heatEffect, holds: true },
  hold: { effect: holdEffect, holds: true },
  stir: { effect: holdEffect, holds: true },
  cool: { effect: coolEffect },
  pour: { effect: pourEffect, parts: true },
  quench: { effect: quenchEffect, parts: true },
  'set-ph': { effect: holdEffect, parts: true },
  extract: { effect: shakeEffect, parts: true },
  wash: { effect: shakeEffect, parts: true },
  part: { effect: shakeEffect, parts: true },
  'dry-solution': { effect: drySolutionEffect, parts: true },
  decant: { effect: decantEffect, parts: true },
  filter: { effect: filterEffect, parts: true },
  evaporate: { effect: evaporateEffect, parts: true },
  distil: { effect: distilEffect, parts: true },
  crystallise: { effect: crystalliseEffect, parts: true },
  sublime: { effect: sublimeEffect, parts: true },
  column: { effect: columnEffect, parts: true },
  dry: { effect: dryEffect, parts: true },
  weigh: { effect: weighEffect, parts: true },
  melt: { effect: nothing },
  boil: { effect: nothing },
  refract: { effect: nothing },
  'thin-layer': { effect: besideEffect },
  titrate: { effect: besideEffect },
  'make-up': { effect: makeUpEffect, parts: true },
  test: { effect: besideEffect },
  send: { effect: nothing },
  store: { effect: nothing },
  pause: { effect: nothing },
  dispose: { effect: disposeEffect },
}

/** What a step does to matter; what a step of no operation names goes in, and nothing else is known of it. */
export function effectOf(step: Step): MatterOperation | undefined {
  const operation = operationOf(step)
  const found: MatterOperation | undefined =
    step.kind === 'act' && step.own
      ? { effect: ownEffect(step.own), parts: true }
      : operation
        ? byOperation[operation]
        : { effect: chargeEffect }
  if (!found || !step.waste?.length) return found
  return { ...found, effect: (bench, doing, world) => putAway(found.effect(bench, doing, world), doing.plan, step, world.note) }
}
