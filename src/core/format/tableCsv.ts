import type { Plan } from '../plan/plan'
import type { Figure } from '../quantity/figure'
import { reactionTable } from '../reaction/reactionTable'
import { spreadsheetCsv } from './spreadsheetCsv'

const full = (figure: Figure | null, factor = 1) => (figure ? String(Number((figure.value * factor).toPrecision(10))) : '')

/** The reaction table of a plan as CSV for a spreadsheet program: one line per row, one unit per column, figures in full. */
export function tableCsv(plan: Plan): string {
  return spreadsheetCsv(
    [
      'substance',
      'formula',
      'role',
      'coefficient',
      'molar mass g/mol',
      'mass g',
      'volume mL',
      'amount mmol',
      'ratio',
      'excess %',
    ],
    reactionTable(plan).lines.map(({ line, substance, molarMass, mass, volume, amount, ratio, excess }) => [
      substance.name,
      substance.formula ?? '',
      line.role,
      line.coefficient ?? '',
      molarMass?.toFixed(3) ?? '',
      full(mass),
      full(volume),
      full(amount),
      full(ratio),
      excess === null ? '' : (100 * excess).toFixed(1),
    ]),
  )
}
