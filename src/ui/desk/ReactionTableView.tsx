'use client'

import { Fragment, type ReactNode } from 'react'
import { lineName } from '@/core/plan/lineName'
import { isProduct, isReactant, mainResult, type Plan } from '@/core/plan/plan'
import { writeFigure, writeNumber, writeRatio } from '@/core/quantity/write'
import type { Column } from '@/core/edit/editLine'
import type { ComputedLine, ReactionTable } from '@/core/reaction/reactionTable'
import { formText } from '../figures/formText'
import { problemId, type CellActions, type CellDisplay } from './QuantityCell'
import { columns, ReactionRow, type LineEnd } from './ReactionRow'

interface Props {
  plan: Plan
  table: ReactionTable
  readOnly: boolean
  /** Text that is being typed, or was refused, by `line column`. */
  texts: Readonly<Record<string, { text: string; problem?: string }>>
  actions: CellActions
  /** The line whose editor stands open under it. */
  openLine: string | undefined
  onOpen: (line: string) => void
  editor: (line: ComputedLine) => ReactNode
}

/** What a cell shows: the typed figure as typed, a derived one with the figures it deserves. */
export function displayOf(line: ComputedLine, column: Column): CellDisplay | null {
  const { anchor } = line.line
  const figure = line[column]
  if (!figure) return null
  if (column === 'ratio') {
    if (anchor?.of === 'mol-percent') return { number: writeNumber(anchor.percent, anchor.decimals), unit: '%', typed: true }
    const typed = anchor?.of === 'ratio'
    return { number: typed ? writeNumber(anchor.ratio, anchor.decimals) : writeRatio(figure), unit: '', typed }
  }
  if (anchor && 'quantity' in anchor && anchor.of === column) {
    const { value, unit, decimals } = anchor.quantity
    return { number: writeNumber(value, Math.max(0, decimals)), unit, typed: true }
  }
  return { ...writeFigure(figure, column), typed: false }
}

/** The reaction table: the instrument of the Desk. */
export function ReactionTableView(props: Props) {
  const { plan, table, readOnly, texts, actions, openLine, onOpen, editor } = props
  const result = mainResult(plan)
  const displays = table.lines.map((line) => columns.map((column) => displayOf(line, column)))
  const decimals = columns.map((_, at) =>
    Math.min(4, Math.max(0, ...displays.map((row) => row[at]?.number.split('.')[1]?.length ?? 0))),
  )
  const called = namesIn(plan, table.lines)
  const reactants = table.lines.filter(({ line, perCoefficient }) => isReactant(line) && perCoefficient)
  // A reactant in manifold excess (water at a quench) may run out of the picture, so that the others can be told apart.
  const within = table.extent ? 4 * table.extent.value : Infinity
  const longest = Math.max(1e-12, ...reactants.map(({ perCoefficient }) => Math.min(perCoefficient!.value, within)))
  // Room to the right of the longest bar for its words.
  const scale = 0.98 / longest
  return (
    <table className="ruled reaction" aria-label="Reaction table">
      <thead>
        <tr>
          <th scope="col" aria-label="coefficient">
            ν
          </th>
          <th scope="col">substance</th>
          <th scope="col" className="n">
            mass
          </th>
          <th scope="col" className="n">
            volume
          </th>
          <th scope="col" className="n">
            amount
          </th>
          <th scope="col" className="n">
            ratio
          </th>
          <th scope="col">amount ÷ coefficient</th>
        </tr>
      </thead>
      <tbody>
        {table.lines.map((line, row) => (
          <Fragment key={line.line.id}>
            <ReactionRow
              id={line.line.id}
              name={line.substance.name}
              row={row}
              called={called[row]!}
              lineName={lineName(plan, line.line)}
              coefficient={line.line.coefficient}
              described={describe(line)}
              limiting={line.limiting}
              product={isProduct(line.line)}
              main={line.line.id === result?.product}
              end={endOf(plan, table, line, scale)}
              displays={displays[row]!}
              decimals={decimals}
              kept={columns.map((column) => texts[`${line.line.id} ${column}`])}
              readOnly={readOnly}
              open={openLine === line.line.id}
              onOpen={onOpen}
              actions={actions}
            />
            {line.substance.caution && !isProduct(line.line) && (
              // On paper, where there is no margin beside it.
              <tr className="print-only">
                <td />
                <td colSpan={columns.length + 2} className="danger">
                  {line.substance.caution}
                </td>
              </tr>
            )}
            {columns.some((column) => texts[`${line.line.id} ${column}`]?.problem) && (
              <tr className="problem-row">
                <td colSpan={columns.length + 3}>
                  {columns.map((column) => {
                    const problem = texts[`${line.line.id} ${column}`]?.problem
                    return (
                      problem && (
                        <span className="problem" id={problemId(line.line.id, column)} role="alert" key={column}>
                          {problem}
                        </span>
                      )
                    )
                  })}
                </td>
              </tr>
            )}
            {openLine === line.line.id && (
              <tr className="editor-row">
                <td colSpan={columns.length + 3}>{editor(line)}</td>
              </tr>
            )}
          </Fragment>
        ))}
      </tbody>
    </table>
  )
}

/** What each line is called in its figures: substance and note, and where two are called alike what else tells them apart. */
function namesIn(plan: Plan, lines: readonly ComputedLine[]): string[] {
  const names = lines.map(({ line, substance }) => `${substance.name}${line.note ? ` (${line.note})` : ''}`)
  return names.map((name, at) => (names.indexOf(name) === names.lastIndexOf(name) ? name : lineName(plan, lines[at]!.line)))
}

/** What is in the bottle, and what the line is for. */
function describe({ line, substance }: ComputedLine): string {
  if (isProduct(line))
    return line.role === 'by-product' ? 'forms beside it' : line.role === 'product' ? 'theoretical' : 'theoretical, used up again'
  if (line.role === 'component')
    return line.anchor?.of === 'share'
      ? `${writeNumber(line.anchor.percent, line.anchor.decimals)} % of the material`
      : 'in the material'
  const density = line.form.kind === 'neat' && !['solvent', 'work-up'].includes(line.role) ? substance.density : undefined
  const solvent = line.form.kind === 'neat' && line.role === 'solvent'
  const bottle = `${solvent ? formText(line.form).replace('neat', 'solvent') : formText(line.form)}${density ? `, ${density.gPerML} g/mL` : ''}`
  const per = line.anchor?.of === 'per-gram' ? `${writeNumber(line.anchor.mLPerG, line.anchor.decimals)} mL/g` : ''
  const made = line.madeIn ? `from ${line.madeIn}` : ''
  const plain = line.form.kind === 'solid' || line.form.kind === 'neat'
  const words = [line.role === 'work-up' && line.note && plain ? 'work-up' : bottle, per, made, line.note]
    .filter(Boolean)
    .join(', ')
  return words
}

/** What stands at the end of a line. @param scale shares of the longest bar to the mmol */
function endOf(plan: Plan, table: ReactionTable, line: ComputedLine, scale: number): LineEnd {
  if (isReactant(line.line) && line.perCoefficient && table.extent) {
    const percent = (line.excess ?? 0) * 100
    const figure = `${writeNumber(percent, percent < 1 ? 1 : 0)} %`
    return {
      share: Math.min(line.perCoefficient.value * scale, 1),
      limit: table.extent.value * scale,
      words: line.limiting ? 'sets the limit' : `+${figure}`,
      said: line.limiting ? 'sets the limit' : `${figure} in excess`,
      limiting: line.limiting,
    }
  }
  const recovery = plan.recoveries?.find(({ product }) => product === line.line.id)
  const whole = recovery ? table.lines.find((other) => other.line.id === recovery.of)?.mass : line.mass
  const expected = recovery?.expected ?? (line.line.id === plan.mainProduct ? plan.expectedYield : undefined)
  if (expected && whole) {
    const { low, high } = expected
    const decimals = whole.value * high < 2 ? 2 : 1
    const grams = `${writeNumber(whole.value * low, decimals)} to ${writeNumber(whole.value * high, decimals)} g`
    return { text: `expect ${grams} (${writeNumber(low * 100, 0)}–${writeNumber(high * 100, 0)} %)`, fig: true }
  }
  const outside = !isProduct(line.line) && plan.mainProduct !== undefined && line.line.coefficient === null
  return { text: outside ? 'not in the equation' : isReactant(line.line) ? 'no amount yet' : '', fig: false }
}
