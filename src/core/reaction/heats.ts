import type { Line } from '../plan/plan'
import { writeNumber } from '../quantity/write'
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
interface Met {
  heat: Heat
  /** Equivalents that react, mmol. */
  mmol: number
  from: [Warms, Warms]
}

/** The heat that comes off in a vessel: of the reaction that gives most, and of those beside it. */
export interface HeatFound extends Met {
  /** What else meets, with what is left of it. */
  besides: readonly Met[]
  /** All of it for each equivalent of the first, kJ/mol: least, usual, most. */
  kJ: readonly [number, number, number]
}

const released = ({ heat, mmol }: Met) => mmol * heat.kJ[1]

/** Every pair that is known to give off heat, each as far as the scarcer of the two goes. */
function meetingPairs(contents: readonly Warms[], added: readonly string[]): Met[] {
  const inside = contents.map((part) => ({
    part,
    classes: classesOf(part.substance, part.line),
    fresh: added.includes(part.line.id),
  }))
  const found = heats.flatMap((heat): Met[] => {
    if (heat.with && !inside.some(({ classes }) => classes.has(heat.with!))) return []
    return inside
      .filter(({ classes }) => classes.has(heat.one))
      .flatMap((one) =>
        inside.flatMap((other): Met[] => {
          if (one === other || !other.classes.has(heat.other) || !(one.fresh || other.fresh)) return []
          // The little water of another strong acid dilutes nothing.
          if (heat.allOfOne && other.classes.has('strong acid')) return []
          const reach = reachOf(heat, [one.part, other.part])
          return reach === null ? [] : [{ heat, mmol: reach, from: [one.part, other.part] }]
        }),
      )
  })
  // Where two rows fit one pair the first, which is the more special, counts.
  const best = new Map<string, Met>()
  for (const each of found) {
    const pair = each.from
      .map(({ line }) => line.id)
      .sort()
      .join(' ')
    if (!best.has(pair)) best.set(pair, each)
  }
  return [...best.values()]
}

/** How many equivalents react, mmol, where so much of each is spent already; null where an amount is not known. */
function reachOf(heat: Heat, [one, other]: Met['from'], spent: ReadonlyMap<string, number> = new Map()): number | null {
  if (one.mmol === null) return null
  if (heat.allOfOne) return one.mmol
  const left = ({ mmol, line }: Warms) => Math.max(0, mmol! - (spent.get(line.id) ?? 0))
  const ofOne = left(one) * equivalentsOf(heat.one, one.substance)
  // Water is never short.
  if (heat.other === 'water') return ofOne
  return other.mmol === null ? null : Math.min(ofOne, left(other) * equivalentsOf(heat.other, other.substance))
}

/**
 * The heat that comes off when some of the contents are put to the rest: by the classes that meet, what gives most to the mole first, then each other with what is left of both. Undefined where none is known, which says nothing about there being
 * none.
 */
export function heatOf(contents: readonly Warms[], added: readonly string[]): HeatFound | undefined {
  const spent = new Map<string, number>()
  const all = meetingPairs(contents, added)
    .sort((a, b) => b.heat.kJ[1] - a.heat.kJ[1])
    .flatMap((met): Met[] => {
      const mmol = reachOf(met.heat, met.from, spent) ?? 0
      if (mmol <= 0) return []
      if (!met.heat.allOfOne)
        for (const [part, as] of [[met.from[0], met.heat.one] as const, [met.from[1], met.heat.other] as const])
          spent.set(part.line.id, (spent.get(part.line.id) ?? 0) + mmol / equivalentsOf(as, part.substance))
      return [{ ...met, mmol }]
    })
    .sort((a, b) => released(b) - released(a))
  const [first, ...besides] = all
  if (!first) return undefined
  const per = (which: 0 | 1 | 2) => all.reduce((sum, { heat, mmol }) => sum + heat.kJ[which] * mmol, 0) / first.mmol
  return { ...first, besides, kJ: [per(0), per(1), per(2)] }
}

/** What gives off the heat, in words: the first, and what is counted beside it. */
export function saysHeat({ heat, besides }: HeatFound): string {
  const more = besides.map(
    (met) => `${met.heat.what} of ${writeNumber(met.mmol, 1)} mmol at ${met.heat.kJ[0]} to ${met.heat.kJ[2]} kJ/mol`,
  )
  return `${heat.what}, ${heat.kJ[0]} to ${heat.kJ[2]} kJ/mol${more.length > 0 ? `; with it ${more.join(' and ')}` : ''}`
}
