/**
 * The baseline under narrow peaks by SNIP (statistics-sensitive non-linear iterative peak clipping, Ryan et al., Nucl. Instrum. Methods B 34, 1988, 396; with decreasing window, Morháč et al. 1997): each point is held down to the mean of its neighbours at
 * a shrinking distance, so that what is narrower than the window goes and what drifts stays.
 * @param window the widest half-distance, in points: more than half of the width of the widest peak
 */
export function baselineOf(y: ArrayLike<number>, window: number): Float64Array {
  const count = y.length
  let now = Float64Array.from(y)
  let next = new Float64Array(count)
  // Every distance near the end, fewer of the wide ones, which the narrow ones correct: the same shape in a fraction of the time.
  for (
    let half = Math.min(Math.round(window), Math.floor((count - 1) / 2));
    half >= 1;
    half = half > 8 ? Math.floor(half * 0.86) : half - 1
  ) {
    for (let i = 0; i < count; i++) {
      const left = i - half < 0 ? 0 : i - half
      const right = i + half >= count ? count - 1 : i + half
      // At the ends the mean of both neighbours would lean on one side: what there is of the line through them.
      const between = left === right ? now[i]! : now[left]! + ((now[right]! - now[left]!) * (i - left)) / (right - left)
      next[i] = between < now[i]! ? between : now[i]!
    }
    ;[now, next] = [next, now]
  }
  return now
}
