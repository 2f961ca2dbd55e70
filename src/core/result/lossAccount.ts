import { writeFigureText, writeNumber } from '../quantity/write'
import { computedLine } from '../reaction/reactionTable'
import type { RunState } from '../run/foldRun'
import type { RunResults } from './runResults'

/** A crystallisation from less or more solvent than this share of what was planned is worth a word. */
const solventBand = { least: 0.7, most: 1.3 }

/** Where a bench's product went, in sentences, from its own figures: charged, crude, solvent, drying, and the reading of the result. */
export function lossAccount(state: RunState, results: RunResults): string {
  const words: string[] = []
  const limiting = computedLine(results.table, results.limiting[0] ?? state.plan.reference)
  const put = results.result?.kind === 'recovery' ? results.whole : null
  if (put) words.push(`Put in ${writeFigureText(put, 'mass')}.`)
  else if (limiting.amount && results.theoretical) {
    words.push(
      `Charged ${writeFigureText(limiting.amount, 'amount')} ${limiting.substance.name}, theory ${writeFigureText(results.theoretical, 'mass')}.`,
    )
  }
  const crude = results.crude && state.samples[results.crude.sample]
  if (crude) words.push(`Crude ${writeFigureText(crude.mass, 'mass')}, still damp.`)
  const crystallise = state.steps.find(({ step }) => step.kind === 'crystallise')
  if (crystallise?.step.kind === 'crystallise' && crystallise.net) {
    const used = crystallise.net.figure.value
    const planned = computedLine(state.planned, crystallise.step.solvent).volume?.value
    const unusual = planned && (used > planned * solventBand.most || used < planned * solventBand.least)
    const instead = unusual ? ` instead of ${writeNumber(planned, 0)} mL` : ''
    words.push(
      `Crystallised from ${writeNumber(used, 0)} mL${instead}${results.expectedInLiquorG === null ? '' : `: about ${writeNumber(results.expectedInLiquorG, 2)} g stays dissolved cold`}.`,
    )
  }
  const dry = state.steps.find(({ step }) => step.kind === 'dry')?.net
  if (dry?.series && dry.series.length > 1 && !dry.agreed) {
    const [before, last] = dry.series.slice(-2)
    words.push(
      `The last two weighings differ by ${writeNumber(before!.massG - last!.massG, 2)} g, so it was still losing weight.`,
    )
  }
  return [...words, results.judgement.evidence].join(' ')
}
