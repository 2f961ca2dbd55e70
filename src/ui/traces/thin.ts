/** As many points as a picture shows: of each stretch its lowest and its highest, so that no peak is lost. */
export function thin(
  x: readonly number[],
  y: readonly number[],
  from: number,
  to: number,
  most = 1200,
): { x: number; y: number }[] {
  const inside: number[] = []
  for (let i = 0; i < x.length; i++) if (x[i]! >= from && x[i]! <= to) inside.push(i)
  if (inside.length <= most) return inside.map((i) => ({ x: x[i]!, y: y[i]! }))
  const stretch = Math.ceil(inside.length / (most / 2))
  const out: { x: number; y: number }[] = []
  for (let start = 0; start < inside.length; start += stretch) {
    const part = inside.slice(start, start + stretch)
    const low = part.reduce((a, b) => (y[b]! < y[a]! ? b : a))
    const high = part.reduce((a, b) => (y[b]! > y[a]! ? b : a))
    for (const i of low < high ? [low, high] : [high, low]) out.push({ x: x[i]!, y: y[i]! })
  }
  return out
}
