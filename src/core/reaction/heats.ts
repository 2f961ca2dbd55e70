import type { Line } from '../plan/plan'
import type { Substance } from '../substance/substance'
import { equivalentsOf } from './equivalents'
import { heats, type Heat } from './heatTable'
import { classesOf } from './reactiveClasses'

/** A part of what is in a vessel, as far as heat is concerned. */
export interface Warms {
  substance: Substance
  line: Pick<Line, 'id' | 'form'>
  mmol: number | null
}

/** Heat that comes off where two meet. */
export interface HeatFound {
  heat: Heat
  /** Equivalents that react, mmol. */
  mmol: number
  from: [Warms, Warms]
}

/**
 * The reaction in a vessel that gives off most heat when some of the contents are put to the rest: by the classes that meet, as far as the scarcer of the two goes. Undefined where none is known, which says nothing about there being none.
 */
export function heatOf(contents: readonly Warms[], added: readonly string[]): HeatFound | undefined {
  const inside = contents.map((part) => ({
    part,
    classes: classesOf(part.substance, part.line),
    fresh: added.includes(part.line.id),
  }))
  const found = heats.flatMap((heat): HeatFound[] => {
    if (heat.with && !inside.some(({ classes }) => classes.has(heat.with!))) return []
    return inside
      .filter(({ classes }) => classes.has(heat.one))
      .flatMap((one) =>
        inside.flatMap((other): HeatFound[] => {
          if (one === other || !other.classes.has(heat.other) || !(one.fresh || other.fresh)) return []
          // The little water of another strong acid dilutes nothing.
          if (heat.allOfOne && other.classes.has('strong acid')) return []
          const ofOne = one.part.mmol === null ? null : one.part.mmol * equivalentsOf(heat.one, one.part.substance)
          const ofOther =
            heat.allOfOne || heat.other === 'water'
              ? Infinity
              : other.part.mmol === null
                ? null
                : other.part.mmol * equivalentsOf(heat.other, other.part.substance)
          if (ofOne === null || ofOther === null) return []
          return [{ heat, mmol: heat.allOfOne ? (one.part.mmol ?? 0) : Math.min(ofOne, ofOther), from: [one.part, other.part] }]
        }),
      )
  })
  // Where two rows fit one pair the first, which is the more special, counts.
  const best = new Map<string, HeatFound>()
  for (const each of found) {
    const pair = each.from
      .map(({ line }) => line.id)
      .sort()
      .join(' ')
    if (!best.has(pair)) best.set(pair, each)
  }
  return [...best.values()].sort((a, b) => b.mmol * b.heat.kJ[1] - a.mmol * a.heat.kJ[1])[0]
}
