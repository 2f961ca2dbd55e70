import type { StandingVessel } from '@/core/operations/vessel/standsIn'

/** Half the width of a vessel at a height, both in the units of the drawing; heights run from the bottom up to where its size is reached. */
interface Shape {
  height: number
  half: (y: number) => number
  /** What stands above: a neck of this half width and height. */
  neck: { half: number; height: number }
}

const round = 46
const ball: Shape = {
  height: 2 * round - 3,
  half: (y) => Math.sqrt(Math.max(0, round * round - (y - round) ** 2)),
  neck: { half: 10, height: 26 },
}
const cone: Shape = { height: 88, half: (y) => 46 - (34 * y) / 88, neck: { half: 12, height: 16 } }
const funnel: Shape = {
  height: 104,
  half: (y) => (y < 78 ? 3 + (39 * y) / 78 : Math.sqrt(Math.max(0, 42 ** 2 - ((y - 78) * (38 / 26)) ** 2))),
  neck: { half: 9, height: 14 },
}
const vial: Shape = { height: 82, half: () => 22, neck: { half: 16, height: 10 } }
/** A vessel that the plan does not name. */
const unnamed: Shape = { height: 84, half: () => 40, neck: { half: 40, height: 8 } }

const shapes: Record<NonNullable<StandingVessel['kind']>, Shape> = {
  'round-bottom': ball,
  conical: cone,
  'separating funnel': funnel,
  vial,
}

export const shapeOf = (kind: StandingVessel['kind']): Shape => (kind ? shapes[kind] : unnamed)

const slices = 120

/** Heights, in the drawing, up to which parts of a vessel's size stand in it, from the bottom up; what is more than it holds stands at its rim. */
export function levelsOf(shape: Shape, parts: readonly number[]): number[] {
  const dy = shape.height / slices
  const volumes = Array.from({ length: slices }, (_, at) => shape.half((at + 0.5) * dy) ** 2)
  const whole = volumes.reduce((sum, each) => sum + each, 0)
  let sum = 0
  return parts.map((part) => {
    sum += part
    let left = sum * whole
    for (let at = 0; at < slices; at++) {
      const here = volumes[at]!
      if (left <= here) return (at + left / here) * dy
      left -= here
    }
    return shape.height
  })
}

const steps = 24

/** Points of one side of a vessel, from a height to another. */
const side = (shape: Shape, low: number, high: number, left: boolean, middle: number, bottom: number): string[] =>
  Array.from({ length: steps + 1 }, (_, at) => low + ((high - low) * at) / steps).map(
    (y) => `${(middle + (left ? -1 : 1) * shape.half(y)).toFixed(1)},${(bottom - y).toFixed(1)}`,
  )

/** What stands in a vessel between two heights, as points of a polygon; `middle` and `bottom` are where the vessel stands in the drawing. */
export const between = (shape: Shape, low: number, high: number, middle: number, bottom: number): string =>
  [...side(shape, low, high, true, middle, bottom), ...side(shape, high, low, false, middle, bottom)].join(' ')

/** The glass, open at the top of its neck. */
export function outline(shape: Shape, middle: number, bottom: number): string {
  const { height, neck } = shape
  const ends = (left: boolean) => {
    const x = middle + (left ? -1 : 1) * neck.half
    return [`${x},${bottom - height - neck.height}`, `${x},${bottom - height}`]
  }
  return [
    ...ends(true),
    ...side(shape, height, 0, true, middle, bottom),
    ...side(shape, 0, height, false, middle, bottom),
    ...ends(false).toReversed(),
  ].join(' ')
}
