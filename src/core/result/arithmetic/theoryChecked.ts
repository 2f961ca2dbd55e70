import { writeNumber } from '../../quantity/write'
import { computedLine, theoreticalYield, type ComputedLine } from '../../reaction/reactionTable'
import type { RunState } from '../../run/foldRun'
import type { BaseResults } from '../baseResults'
import type { Checked, Worked } from './checked'
import { significant } from './significant'
import { isNear, powerOfTen, slipOf, type Slip } from './slip'

/** Their theoretical yield beside what follows from what they charged. */
export function theoryChecked(
  run: RunState,
  base: BaseResults,
  reactants: readonly ComputedLine[],
  { amounts, limiting }: Worked,
  typed: number,
): Checked[] {
  const { plan } = run
  if (plan.mainProduct === undefined || !base.theoretical) return []
  const product = computedLine(base.table, plan.mainProduct)
  const [right, molar] = [base.theoretical.value, product.molarMass]
  const limit = reactants.find(({ line }) => base.limiting.includes(line.id))
  if (!molar || !limit) return []
  const [nu, nuLimit] = [product.line.coefficient ?? 1, limit.line.coefficient ?? 1]
  const own = limiting === undefined ? undefined : amounts.find(({ line }) => line === limiting)?.mmol
  const ownNu = (limiting !== undefined && reactants.find(({ line }) => line.id === limiting)?.line.coefficient) || nuLimit
  const theirsG = own === undefined ? undefined : ((own * nu) / ownNu / 1000) * molar
  const n = limit.amount!.value
  const planned = theoreticalYield(plan, run.planned)?.value
  const gram = (mmol: number, M = molar) => (mmol * M) / 1000
  const slips: Slip[] = [
    ...powerOfTen(right),
    ...(nuLimit !== nu
      ? [
          {
            value: gram(n),
            words: `The coefficients are left out: ${nuLimit} of ${limit.substance.name} make ${nu} of the product.`,
          },
          { value: gram((n * nuLimit) / nu), words: 'The coefficients are the wrong way round.' },
        ]
      : []),
    ...reactants.flatMap((other) =>
      other.molarMass
        ? [
            {
              value: gram((n * nu) / nuLimit, other.molarMass),
              words: `That is with the molar mass of ${other.substance.name}, not of the product (${writeNumber(molar, 2)} g/mol).`,
            },
          ]
        : [],
    ),
    ...reactants
      .filter((other) => !base.limiting.includes(other.line.id))
      .map((other) => ({
        value: gram((other.amount!.value * nu) / (other.line.coefficient ?? 1)),
        words: `It counts from ${other.substance.name}, which is in excess.`,
      })),
    ...(planned !== undefined && !isNear(planned, right)
      ? [{ value: planned, words: 'That is the plan’s theory: yours follows from what you charged.' }]
      : []),
    ...(limit.mass
      ? [{ value: limit.mass.value, words: 'That is the mass of the limiting reagent: go by way of its amount.' }]
      : []),
  ]
  const ok = isNear(typed, right)
  const follows = !ok && theirsG !== undefined && isNear(typed, theirsG)
  return [
    {
      field: 'theory',
      of: `theoretical yield of ${product.substance.name}`,
      typed: `${significant(typed)} g`,
      right: `${significant(right)} g`,
      ok,
      follows,
      slip: ok || follows ? null : slipOf(typed, slips),
      working: `m = n × ${nu === 1 && nuLimit === 1 ? '' : `${nu}/${nuLimit} × `}M ÷ 1000 = ${significant(n)} mmol × ${nu === 1 && nuLimit === 1 ? '' : `${nu}/${nuLimit} × `}${writeNumber(molar, 2)} g/mol ÷ 1000 = ${significant(right)} g`,
    },
  ]
}
