import { memo, useDeferredValue, type RefObject } from 'react'
import type { Column } from '@/core/edit/editLine'
import { useInView } from '../useInView'
import { MoleBar } from '../figures/MoleBar'
import { QuantityCell, type CellActions, type CellDisplay } from './QuantityCell'

export const columns: readonly Column[] = ['mass', 'volume', 'amount', 'ratio']

/** What stands at the end of a line: the bar of a reactant, or words. */
export type LineEnd =
  { share: number; limit: number; words: string; said: string; limiting: boolean } | { text: string; fig: boolean }

interface RowProps {
  id: string
  name: string
  row: number
  /** How its figures are called: two lines of one substance each in its own way. */
  called: string
  /** How the line is called wherever else it is named. */
  lineName: string
  coefficient: number | null
  described: string
  limiting: boolean
  product: boolean
  main: boolean
  end: LineEnd
  displays: readonly (CellDisplay | null)[]
  decimals: readonly number[]
  /** What is being typed or was refused, of its own figures. */
  kept: readonly ({ text: string; problem?: string } | undefined)[]
  readOnly: boolean
  open: boolean
  onOpen: (line: string) => void
  actions: CellActions
}

/** What is made anew with each drawing, and is the same where it reads the same. */
const read = new Set<keyof RowProps>(['end', 'displays', 'decimals', 'kept'])

/** Whether two lines look alike, figure by figure: one key changes a few of a hundred figures. */
const looksAlike = (before: RowProps, after: RowProps): boolean =>
  (Object.keys(after) as (keyof RowProps)[]).every(
    (key) => before[key] === after[key] || (read.has(key) && JSON.stringify(before[key]) === JSON.stringify(after[key])),
  )

/** A line of the table. Those that nobody sees follow after the paint, so that a key never waits for them. */
export const ReactionRow = memo(function ReactionRow(props: RowProps) {
  const [ref, inView] = useInView<HTMLTableRowElement>()
  const later = useDeferredValue(props)
  // What is being typed is never late.
  const typed = props.kept.some(Boolean)
  return <RowFace {...(inView || typed ? props : later)} to={ref} />
}, looksAlike)

const RowFace = memo(function RowFace(props: RowProps & { to: RefObject<HTMLTableRowElement | null> }) {
  const { id, name, row, called, coefficient, described, limiting, product, main, end, actions, open, to } = props
  const { displays, decimals, kept, readOnly, onOpen, lineName } = props
  return (
    <tr ref={to} data-about={id} className={[limiting ? 'limiting' : '', product ? 'product' : ''].join(' ').trim() || undefined}>
      <td className="nu">{coefficient ?? ''}</td>
      <td className="substance">
        <span className={main ? 'main' : undefined}>
          {readOnly ? (
            name
          ) : (
            <button
              type="button"
              className="opens"
              aria-expanded={open}
              title="Part, bottle, device, place"
              onClick={() => onOpen(id)}
            >
              {name}
            </button>
          )}
        </span>
        <small>{described}</small>
      </td>
      {columns.map((column, at) => (
        <td className="n" key={column}>
          <QuantityCell
            row={row}
            column={at}
            label={`${column} of ${called}`}
            display={displays[at]!}
            columnDecimals={decimals[at]!}
            text={kept[at]?.text}
            problem={kept[at]?.problem}
            readOnly={readOnly}
            line={id}
            of={column}
            actions={actions}
          />
        </td>
      ))}
      <td className="bar">
        <EndCell end={end} lineName={lineName} onFocus={() => actions.focus({ line: id, column: 'excess' })} />
      </td>
    </tr>
  )
})

function EndCell({ end, lineName, onFocus }: { end: LineEnd; lineName: string; onFocus: () => void }) {
  if ('text' in end) return <span className={end.fig ? 'words fig' : 'words'}>{end.text}</span>
  return (
    <button
      type="button"
      className="bar-button"
      onFocus={onFocus}
      onClick={onFocus}
      aria-label={`${lineName} ${end.said}. Show the working.`}
    >
      <MoleBar share={end.share} limit={end.limit} label={`n/ν of ${lineName}`} />
      <span className={end.limiting ? 'limit' : 'excess fig'}>{end.words}</span>
    </button>
  )
}
