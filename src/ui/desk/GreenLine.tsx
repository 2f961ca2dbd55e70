import { memo } from 'react'
import type { Plan } from '@/core/plan/plan'
import { writeNumber } from '@/core/quantity/write'
import { yieldCeiling } from '@/core/reaction/equilibrium'
import { greenFigures } from '@/core/reaction/greenFigures'
import type { ReactionTable } from '@/core/reaction/reactionTable'

/** Under the table: what the equation and the ledger say about waste, the ceiling an equilibrium sets, and the files to take away. */
export const GreenLine = memo(function GreenLine({
  plan,
  table,
  revision,
}: {
  plan: Plan
  table: ReactionTable
  revision: string
}) {
  const green = greenFigures(plan, table)
  const ceiling = yieldCeiling(plan, table)
  const equation = table.lines.filter(({ line }) => line.coefficient !== null)
  const drawn = equation.length > 0 && equation.every(({ substance }) => substance.smiles)
  return (
    <p className="green-line quiet">
      {green && (
        <span title="Mass of the product in the equation over that of the reactants">
          atom economy <b className="fig">{writeNumber(100 * green.atomEconomy, 0)} %</b>
        </span>
      )}
      {green?.massIntensity != null && (
        <span title="Grams charged per gram of product at the middle of the expected yield, work-up and water included">
          mass intensity <b className="fig">{short(green.massIntensity)}</b>, E factor{' '}
          <b className="fig">{short(green.eFactor!)}</b>
        </span>
      )}
      {ceiling !== null && (
        <span title={plan.equilibrium!.source}>
          the equilibrium (K = {plan.equilibrium!.constant}) allows at most{' '}
          <b className="fig">{writeNumber(100 * ceiling, 0)} %</b>
        </span>
      )}
      <span className="files no-print">
        <a href={`/api/revisions/${revision}/table.csv`} download>
          Table as CSV
        </a>{' '}
        {[['sdf', 'Structures as molfiles'], ['smi', 'SMILES'], ...(drawn ? [['rxn', 'RXN']] : [])].map(([format, name]) => (
          <a key={format} href={`/api/revisions/${revision}/structures?as=${format}`} download>
            {name}
          </a>
        ))}{' '}
        <a href={`/api/revisions/${revision}/plan`} download>
          Plan file
        </a>
      </span>
    </p>
  )
})

/** Two figures are all that such a number deserves. */
function short(value: number): string {
  return writeNumber(value, value < 10 ? 1 : 0)
}
