import type { CellPlace } from './QuantityCell'
import { columns } from './ReactionRow'

const rowOf = (line: string) => document.querySelector(`.reaction [data-about="${CSS.escape(line)}"]`)

/** Puts the cursor into a figure of a line as soon as the line stands in the table. */
export function focusCell(line: string, column: number): void {
  requestAnimationFrame(() => rowOf(line)?.querySelector<HTMLElement>(`[data-cell$=" ${column}"]`)?.focus())
}

/** From the working back to the figure it is about. */
export function backToCell({ line, column }: CellPlace): void {
  const figure = column === 'excess' ? '.bar-button' : `[data-cell$=" ${columns.indexOf(column)}"]`
  rowOf(line)?.querySelector<HTMLElement>(figure)?.focus()
}
