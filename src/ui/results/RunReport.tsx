import { isReactant } from '@/core/plan/plan'
import { checkArithmetic } from '@/core/result/arithmetic/checkArithmetic'
import { significant } from '@/core/result/arithmetic/significant'
import { budgetOf } from '@/core/result/budget'
import { lossAccounts } from '@/core/result/losses/lossAccount'
import type { RunResults } from '@/core/result/runResults'
import type { RunState } from '@/core/run/foldRun'
import { writeBand, writeNumber } from '@/core/quantity/write'
import { ArithmeticTable } from './ArithmeticTable'
import { LossBar, LossTable } from './LossPanel'

/** What belongs to a report behind the record: how the figures come about, where the rest has gone, how sure it is, what the group worked out by itself, and what is on record. */
export function RunReport({ run, results }: { run: RunState; results: RunResults }) {
  const accounts = lossAccounts(run, results)
  const budget = budgetOf(run, results)
  const reactants = results.table.lines.filter(({ line, amount }) => isReactant(line) && amount)
  const product = results.table.lines.find(({ line }) => line.id === run.plan.mainProduct)
  const sample = results.result && run.samples[results.result.sample]
  return (
    <>
      {results.result && results.whole && sample && (
        <section aria-label="How it is worked out">
          <h2 className="section-title">How it is worked out</h2>
          {reactants.map(({ line, substance, amount, perCoefficient }) => (
            <p key={line.id} className="fig working-line">
              {substance.name}: n ÷ ν = {significant(amount!.value)} mmol ÷ {line.coefficient} ={' '}
              {significant(perCoefficient!.value)} mmol
              {results.limiting.includes(line.id) && ', which sets the limit'}
              {results.notMeasured.includes(line.id) && ' (as planned; it was not measured)'}
            </p>
          ))}
          {product?.molarMass && results.theoretical && (
            <p className="fig working-line">
              theory of {product.substance.name}: {significant(product.amount!.value)} mmol × {writeNumber(product.molarMass, 2)}{' '}
              g/mol ÷ 1000 = {significant(results.theoretical.value)} g
            </p>
          )}
          <p className="fig working-line">
            {results.result.kind}: 100 × {significant(sample.mass.value)} g ÷ {significant(results.whole.value)} g ={' '}
            {budget?.text ?? `${significant(100 * results.result.figure.value)} %`}
          </p>
          {budget && (
            <p className="quiet">
              {budget.contributions
                .map(({ words, share, how }) => `${words} makes ${writeNumber(100 * share, 0)} % of the variance (${how})`)
                .join('; ')}
              .
            </p>
          )}
        </section>
      )}
      {accounts.map((account) => (
        <section
          key={account.sample}
          tabIndex={0}
          className="result-panel"
          aria-label={`Where the rest of ${account.of} has gone`}
        >
          <h2 className="section-title">Where the rest of the {account.of} has gone</h2>
          <LossBar account={account} />
          <LossTable account={account} />
        </section>
      ))}
      {run.worked && (
        <section aria-label="The group’s own arithmetic">
          <h2 className="section-title">The group’s own arithmetic</h2>
          <ArithmeticTable checked={checkArithmetic(run, results, run.worked)} />
        </section>
      )}
      <Literature run={run} />
    </>
  )
}

/** What is on record of the products, each value with its source. */
function Literature({ run: { plan } }: { run: RunState }) {
  const lines = plan.lines.filter(({ role }) => role === 'product' || role === 'component')
  const said = lines.flatMap(({ substance: id }) => {
    const substance = plan.substances.find((each) => each.id === id)
    if (!substance) return []
    const values = [
      substance.melting && `melts ${writeBand(substance.melting.lowC, substance.melting.highC)} °C (${substance.melting.source})`,
      substance.boiling && `boils ${writeBand(substance.boiling.lowC, substance.boiling.highC)} °C (${substance.boiling.source})`,
    ].filter(Boolean)
    return values.length > 0 ? [`${substance.name}: ${values.join('; ')}`] : []
  })
  if (said.length === 0) return null
  return (
    <section aria-label="On record">
      <h2 className="section-title">On record</h2>
      {[...new Set(said)].map((each) => (
        <p key={each}>{each}.</p>
      ))}
    </section>
  )
}
