/** How long one piece of work may hold the loop before others are served, ms. */
const longestMs = 8

/** Lets whatever waits be served before the work goes on. */
export const breathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve))

/** Does the same with each item, one after the other, and lets others be served between them: a class of sixty groups holds nobody up. */
export async function slowly<T, R>(items: readonly T[], work: (item: T, index: number) => R): Promise<R[]> {
  const done: R[] = []
  let since = performance.now()
  for (const [index, item] of items.entries()) {
    done.push(work(item, index))
    if (performance.now() - since > longestMs) {
      await breathe()
      since = performance.now()
    }
  }
  return done
}
