import { deviceOf } from '../quantity/device'
import { decimalsJustified, type Figure } from '../quantity/figure'
import { writeFigureText, writeFull, writeNumber, writeQuantity, writeRatio } from '../quantity/write'
import { densityOf, isProduct, substanceOf, type Plan } from '../plan/plan'
import { atomicWeightSource } from '../substance/atomicWeights'
import { computedLine, waterIn, type ComputedLine, type ReactionTable } from './reactionTable'

/** A piece of a working as it is set: text, a letter in italics, a fraction, or the result. */
export type WorkPiece =
  | { kind: 'text'; text: string }
  | { kind: 'letter'; text: string }
  | { kind: 'fraction'; over: string; under: string }
  | { kind: 'result'; text: string }

export interface Working {
  title: string
  /** Lines of the working, in order. */
  rows: WorkPiece[][]
  /** The value in full, the uncertainty, and where each constant comes from. */
  notes: string[]
}

const text = (value: string): WorkPiece => ({ kind: 'text', text: value })
const letter = (value: string): WorkPiece => ({ kind: 'letter', text: value })
const result = (value: string): WorkPiece => ({ kind: 'result', text: value })
const fraction = (above: string, below: string): WorkPiece => ({ kind: 'fraction', over: above, under: below })

/** An amount in the middle of a working, with one figure more than it ends with. */
const carried = (amount: Figure) => writeFigureText(amount, 'amount', 1)

/** Molar mass as it stands in a working. */
const molar = (line: ComputedLine) => `${writeNumber((line.molarMass ?? 0) + waterIn(line.line.form), 3)} g/mol`

/**
 * How a figure of the table was worked out, as a chemist would write it by hand: formula with numbers and units, result,
 * uncertainty, and the source of each constant. Null where the figure was typed or is not known.
 */
export function working(
  plan: Plan,
  table: ReactionTable,
  id: string,
  column: 'mass' | 'volume' | 'amount' | 'ratio' | 'excess',
): Working | null {
  const line = computedLine(table, id)
  if (column === 'excess') return excessWorking(table, line)
  const figure = line[column]
  if (!figure || line.line.anchor?.of === column) return null
  if (column === 'ratio') return ratioWorking(plan, table, line)
  const followed = followedRows(table, line, column)
  if (followed)
    return { title: `${titles[column]} of ${line.substance.name}`, rows: followed, notes: notesOf(plan, line, figure, column) }
  if (isProduct(line.line)) return productWorking(plan, table, line, column)
  const rows = column === 'amount' ? amountRows(plan, table, line) : measureRows(plan, table, line, column)
  return { title: `${titles[column]} of ${line.substance.name}`, rows, notes: notesOf(plan, line, figure, column) }
}

const titles = { mass: 'Mass', volume: 'Volume', amount: 'Amount' } as const

/** The figure that a volume per gram or a share of another line is worked out as; null for every other column and anchor. */
function followedRows(table: ReactionTable, line: ComputedLine, column: 'mass' | 'volume' | 'amount'): WorkPiece[][] | null {
  const { anchor } = line.line
  const answer = [text('= '), result(writeFigureText(line[column]!, column))]
  if (anchor?.of === 'per-gram' && column === 'volume') {
    const per = writeNumber(anchor.mLPerG, anchor.decimals)
    return [[letter('V'), text(` = ${per} mL/g × ${writeNumber(line.volume!.value / anchor.mLPerG, 3)} g`)], answer]
  }
  if (anchor?.of === 'share' && column === 'mass') {
    const whole = computedLine(table, anchor.line)
    const share = writeNumber(anchor.percent, anchor.decimals)
    return [[letter('m'), text(` = ${share} % × ${writeFigureText(whole.mass!, 'mass')} ${whole.substance.name}`)], answer]
  }
  return null
}

/** How n of a line comes from what was typed. */
function amountRows(plan: Plan, table: ReactionTable, line: ComputedLine): WorkPiece[][] {
  const { anchor, form } = line.line
  const name = `(${line.substance.name}) = `
  const answer = [text('= '), result(writeFigureText(line.amount!, 'amount'))]
  if (anchor?.of === 'ratio') {
    const base = computedLine(table, plan.reference)
    return [
      [
        letter('n'),
        text(`${name}${writeNumber(anchor.ratio, anchor.decimals)} × ${carried(base.amount!)} ${base.substance.name}`),
      ],
      answer,
    ]
  }
  if (anchor?.of === 'mol-percent') {
    const base = computedLine(table, plan.reference)
    const percent = writeNumber(anchor.percent, anchor.decimals)
    return [[letter('n'), text(`${name}${percent} % × ${carried(base.amount!)} ${base.substance.name}`)], answer]
  }
  if (anchor?.of === 'amount') return [[letter('n'), text(name), result(writeQuantity(anchor.quantity))]]
  const measured = anchor?.of === 'mass' || anchor?.of === 'share' ? 'mass' : 'volume'
  const typed = anchor && 'quantity' in anchor ? writeQuantity(anchor.quantity) : writeFigureText(line[measured]!, measured, 1)
  if (form.kind === 'solution') return [[letter('n'), text(`${name}${typed} × ${form.molPerL} mol/L`)], answer]
  if (form.kind === 'mass-volume')
    return [[letter('n'), text(name), fraction(`${typed} × ${form.gPer100ML} g`, `100 mL × ${molar(line)}`)], answer]
  const share = form.kind === 'mass-fraction' ? form.fraction : form.purity
  const purity = share === 1 ? '' : ` × ${share}`
  const density = densityOf(plan, line.line)
  const above = measured === 'volume' && density ? `${typed} × ${density.gPerML} g/mL${purity}` : `${typed}${purity}`
  return [[letter('n'), text(name), fraction(above, molar(line))], answer]
}

/** How a mass or volume comes from what was typed, by way of the amount where need be. */
function measureRows(plan: Plan, table: ReactionTable, line: ComputedLine, column: 'mass' | 'volume'): WorkPiece[][] {
  const { anchor, form } = line.line
  const density = densityOf(plan, line.line)
  const symbol = column === 'mass' ? 'm' : 'V'
  const answer = [text('= '), result(writeFigureText(line[column]!, column))]
  if (anchor?.of === 'mass' && column === 'volume') {
    return [[letter(symbol), text(' = '), fraction(writeQuantity(anchor.quantity), `${density!.gPerML} g/mL`)], answer]
  }
  if (anchor?.of === 'volume' && column === 'mass') {
    return [[letter(symbol), text(` = ${writeQuantity(anchor.quantity)} × ${density!.gPerML} g/mL`)], answer]
  }
  // Without a formula there is no amount to go by: the mass of a mixture is as it was found.
  if (!line.amount) return [[letter(symbol), ...answer]]
  const rows = amountRows(plan, table, line)
  const amount = carried(line.amount)
  if (form.kind === 'mass-volume')
    return [
      ...rows,
      [letter(symbol), text(' = '), fraction(`${amount} × ${molar(line)} × 100 mL`, `${form.gPer100ML} g`)],
      answer,
    ]
  if (form.kind === 'solution') return [...rows, [letter(symbol), text(' = '), fraction(amount, `${form.molPerL} mol/L`)], answer]
  const share = form.kind === 'mass-fraction' ? form.fraction : form.purity
  const below = [share === 1 ? '' : String(share), column === 'volume' ? `${density!.gPerML} g/mL` : '']
    .filter(Boolean)
    .join(' × ')
  const above = `${amount} × ${molar(line)}`
  return [...rows, [letter(symbol), text(' = '), below ? fraction(above, below) : text(above)], answer]
}

function productWorking(plan: Plan, table: ReactionTable, line: ComputedLine, column: 'mass' | 'volume' | 'amount'): Working {
  const limiting = computedLine(table, table.limiting[0]!)
  const nu = limiting.line.coefficient!
  const extent = table.extent!
  const coefficient = line.line.coefficient ?? 1
  const rows: WorkPiece[][] = [
    ...amountRows(plan, table, limiting),
    [text('extent ξ = '), fraction(carried(limiting.amount!), String(nu)), text(` = ${carried(limiting.perCoefficient!)}`)],
    ...closeRows(table),
    [letter('n'), text(`(${line.substance.name}) = ${coefficient} × ${carried(extent)}`)],
  ]
  if (column === 'amount') rows.push([text('= '), result(writeFigureText(line.amount!, 'amount'))])
  else {
    rows.push([letter('m'), text(` = ${carried(line.amount!)} × ${molar(line)}`)])
    if (column === 'volume')
      rows.push([
        letter('V'),
        text(' = '),
        fraction(writeFigureText(line.mass!, 'mass'), `${densityOf(plan, line.line)!.gPerML} g/mL`),
      ])
    rows.push([text('= '), result(writeFigureText(line[column]!, column))])
  }
  const main = line.line.id === plan.mainProduct && column === 'mass'
  return {
    title: main ? 'Theoretical yield' : `${titles[column]} of ${line.substance.name}`,
    rows,
    notes: notesOf(plan, limiting, line[column]!, column),
  }
}

/** Where two may set the limit: what is counted from, the mean of the smaller of two uncertain amounts. */
function closeRows(table: ReactionTable): WorkPiece[][] {
  if (!table.eitherLimits || table.extent !== table.eitherLimits.extent) return []
  const [, second] = table.eitherLimits.lines.map((id) => computedLine(table, id))
  return [
    [
      text(`as near: ${second!.substance.name}, `),
      letter('n'),
      text(`/ν = ${carried(second!.perCoefficient!)}; the smaller of the two is ξ = ${carried(table.extent!)} on average`),
    ],
  ]
}

function ratioWorking(plan: Plan, table: ReactionTable, line: ComputedLine): Working {
  const base = computedLine(table, plan.reference)
  if (base === line) {
    return {
      title: `Ratio of ${line.substance.name}`,
      rows: [[text('Every ratio counts from this line, so its own is 1.')]],
      notes: [],
    }
  }
  return {
    title: `Ratio of ${line.substance.name}`,
    rows: [
      [
        letter('r'),
        text(' = '),
        fraction(`${carried(line.amount!)} ${line.substance.name}`, `${carried(base.amount!)} ${base.substance.name}`),
      ],
      [text('= '), result(writeRatio(line.ratio!))],
    ],
    notes: [`In full: ${writeFull(line.ratio!.value)}.`],
  }
}

function excessWorking(table: ReactionTable, line: ComputedLine): Working | null {
  if (line.excess === null || !table.extent || !line.perCoefficient) return null
  const each = `${carried(line.amount!)} ÷ ${line.line.coefficient}`
  const per: WorkPiece[] = [letter('n'), text('/ν'), text(` = ${each} = ${carried(line.perCoefficient)}`)]
  if (line.limiting) {
    return {
      title: `${line.substance.name} sets the limit`,
      rows: [
        per,
        ...closeRows(table),
        [text('No other reactant has less, so the extent ξ = '), result(writeFigureText(table.extent, 'amount'))],
      ],
      notes: [],
    }
  }
  const percent = line.excess * 100
  return {
    title: `Excess of ${line.substance.name}`,
    rows: [
      per,
      [
        text('excess = '),
        fraction(carried(line.perCoefficient), carried(computedLine(table, table.limiting[0]!).perCoefficient!)),
        text(' − 1 = '),
        result(`${writeNumber(percent, percent < 1 ? 2 : 0)} %`),
      ],
    ],
    notes: [`In full: ${writeFull(percent)} %.`],
  }
}

function notesOf(plan: Plan, line: ComputedLine, figure: Figure, column: 'mass' | 'volume' | 'amount'): string[] {
  const unit = { mass: 'g', volume: 'mL', amount: 'mmol' }[column]
  const notes = [`In full: ${writeFull(figure.value)} ${unit}.`]
  const device = deviceOf(line.line.device)
  if (figure.u > 0 && device) {
    const u = figure.u * figure.value
    notes.push(
      `± ${writeNumber(u, Math.max(decimalsJustified(figure), Math.ceil(-Math.log10(u))))} ${unit} from the ${device.name}.`,
    )
  }
  const density = densityOf(plan, line.line)
  if (density) {
    notes.push(
      `Density ${density.gPerML} g/mL${'atC' in density && density.atC !== undefined ? ` at ${density.atC} °C` : ''}: ${density.source}.`,
    )
  }
  notes.push(`Molar masses: ${atomicWeightSource}.`)
  return notes
}

/** The substance that sets the limit, in words: `aniline`, or `aniline and acetic anhydride` for a tie. */
export function limitingNames(plan: Plan, table: ReactionTable): string {
  return table.limiting.map((id) => substanceOf(plan, computedLine(table, id).line).name).join(' and ')
}
