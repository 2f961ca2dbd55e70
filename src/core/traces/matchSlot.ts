/** Words of letters and digits in a name: `A3`, `2026`. */
const tokens = (text: string): string[] =>
  text
    .toUpperCase()
    .split(/[^A-Z0-9]+/)
    .filter(Boolean)

/**
 * The run whose vial's slot stands, as a whole, in the name or the title of a file; null where none does, or several do: then a person says whose it is.
 */
export function matchSlot(
  names: readonly string[],
  runs: readonly { id: string; slots: readonly string[] }[],
): { run: string; slot: string } | null {
  const said = new Set(names.flatMap(tokens))
  const found = runs.flatMap(({ id, slots }) =>
    slots.flatMap((slot) => {
      const [one, ...more] = tokens(slot)
      return one !== undefined && more.length === 0 && said.has(one) ? [{ run: id, slot: one }] : []
    }),
  )
  return new Set(found.map(({ run }) => run)).size === 1 ? found[0]! : null
}
