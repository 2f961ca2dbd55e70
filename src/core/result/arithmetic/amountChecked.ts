import { densityOf } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import { waterIn, type ComputedLine } from '../../reaction/reactionTable'
import type { RunState } from '../../run/foldRun'
import type { Checked } from './checked'
import { significant } from './significant'
import { isNear, powerOfTen, slipOf, type Slip } from './slip'

/** An amount of theirs beside what they charged. */
export function amountChecked(run: RunState, line: ComputedLine, reactants: readonly ComputedLine[], typed: number): Checked {
  const { plan } = run
  const right = line.amount!.value
  const { form } = line.line
  const [mass, volume, molar] = [line.mass?.value, line.volume?.value, line.molarMass]
  const purity = form.kind === 'mass-fraction' ? form.fraction : 'purity' in form ? form.purity : undefined
  const density = densityOf(plan, line.line)?.gPerML
  const planned = run.planned.lines.find((each) => each.line.id === line.line.id)?.amount?.value
  const slips: Slip[] = [
    ...powerOfTen(right),
    ...(purity !== undefined && purity < 1
      ? [
          {
            value: right / purity,
            words: `The strength of the bottle is left out: only ${writeNumber(100 * purity, 0)} % of it is ${line.substance.name}.`,
          },
        ]
      : []),
    ...(density !== undefined && volume !== undefined && molar
      ? [
          {
            value: (right * volume) / (mass ?? volume),
            words: `The volume was taken as a mass: 1 mL weighs ${writeNumber(density, 3)} g.`,
          },
        ]
      : []),
    ...(waterIn(form) > 0 && molar
      ? [{ value: (right * (molar + waterIn(form))) / molar, words: 'The water of the hydrate is left out of the molar mass.' }]
      : []),
    ...(molar
      ? [
          { value: ((mass ?? 0) * molar) / 1000, words: 'It was multiplied by the molar mass instead of divided.' },
          { value: molar / (mass ?? 1), words: 'Mass and molar mass are the wrong way round: n = m ÷ M.' },
        ]
      : []),
    ...reactants
      .filter((other) => other !== line && other.molarMass && molar)
      .map((other) => ({
        value: (right * molar!) / other.molarMass!,
        words: `That is with the molar mass of ${other.substance.name}, ${writeNumber(other.molarMass!, 2)} g/mol.`,
      })),
    ...(planned !== undefined && !isNear(planned, right)
      ? [{ value: planned, words: 'That is the plan’s amount, not what was charged.' }]
      : []),
    ...(line.line.coefficient && line.line.coefficient !== 1
      ? [
          {
            value: right / line.line.coefficient,
            words: 'It was divided by the coefficient already: the amount itself is asked for.',
          },
        ]
      : []),
  ]
  const ok = isNear(typed, right)
  return {
    field: 'amount',
    of: line.substance.name,
    typed: `${significant(typed)} mmol`,
    right: `${significant(right)} mmol`,
    ok,
    follows: false,
    slip: ok ? null : slipOf(typed, slips),
    working: amountWorking(line, purity),
  }
}

function amountWorking(
  { line: { form }, mass, volume, molarMass: molar, amount }: ComputedLine,
  purity: number | undefined,
): string {
  const result = `= ${significant(amount!.value)} mmol`
  if (form.kind === 'solution' && volume && form.molPerL !== undefined)
    return `n = V·c = ${significant(volume.value)} mL × ${significant(form.molPerL)} mmol/mL ${result}`
  if (!mass || !molar) return result
  const pure = purity !== undefined && purity < 1 ? ` × ${significant(purity)}` : ''
  const from = `${significant(mass.value)} g${pure}`
  return `n = m ÷ M = 1000 × ${from} ÷ ${writeNumber(molar + waterIn(form), 2)} g/mol ${result}`
}
