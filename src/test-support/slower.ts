/** What the piece of work below takes on a quiet machine of two cores, ms. */
const usualMs = 80

/** How much slower than usual this machine is at the moment, 1 at the least: limits of time are as many times longer. */
export function slower(): number {
  const began = performance.now()
  let sum = 0
  for (let turn = 0; turn < 12_000_000; turn++) sum = (sum * 31 + turn) | 0
  return Number.isNaN(sum) ? 1 : Math.max(1, (performance.now() - began) / usualMs)
}
