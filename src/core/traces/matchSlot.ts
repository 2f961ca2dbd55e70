/** Words of letters and digits in a name: `A3`, `2026`. */
const tokens = (text: string): string[] =>
  text
    .toUpperCase()
    .split(/[^A-Z0-9]+/)
    .filter(Boolean)

/** Benches that a name says: `bench 1`, `Bench-01`, `bench12.jdx`. */
function benchesIn(name: string): number[] {
  const said = tokens(name)
  return said.flatMap((word, index) => {
    const joined = /^BENCH0*(\d{1,3})$/.exec(word)?.[1]
    const apart = word === 'BENCH' ? /^0*(\d{1,3})$/.exec(said[index + 1] ?? '')?.[1] : undefined
    return joined !== undefined || apart !== undefined ? [Number(joined ?? apart)] : []
  })
}

/**
 * The run whose vial's slot stands, as a whole, in the name or the title of a file; else the run of the bench that it names. Null where neither does, or several do: then a person says whose it is.
 */
export function matchSlot(
  names: readonly string[],
  runs: readonly { id: string; bench: number; slots: readonly string[] }[],
): { run: string; slot: string } | null {
  const said = new Set(names.flatMap(tokens))
  const found = runs.flatMap(({ id, slots }) =>
    slots.flatMap((slot) => {
      const [one, ...more] = tokens(slot)
      return one !== undefined && more.length === 0 && said.has(one) ? [{ run: id, slot: one }] : []
    }),
  )
  if (new Set(found.map(({ run }) => run)).size === 1) return found[0]!
  const benches = new Set(names.flatMap(benchesIn))
  const named = runs.filter(({ bench }) => benches.has(bench))
  return found.length === 0 && benches.size === 1 && named.length === 1 ? { run: named[0]!.id, slot: '' } : null
}
