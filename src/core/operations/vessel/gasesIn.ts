import { isReactant, substanceOf, type Plan } from '../../plan/plan'
import { gases, type GasName } from '../../reaction/gases'
import { gasesOf, gasLitres, gasOf } from '../../reaction/meetings'
import type { ReactionTable } from '../../reaction/reactionTable'
import { stepContents } from './contents'
import { pairName, pairsAmong } from './meetingsIn'

/** A gas that comes off in a step, from what. */
export interface GasAt {
  step: string
  gas: GasName
  /** Litres at 20 °C under the laboratory's pressure, as far as the scarcer of the two goes. */
  litres: number
  from: [string, string]
}

/** Less than this nobody notices, L: 2 mmol. */
export const leastGasL = 0.05

const gasByFormula = new Map(Object.entries(gases).map(([name, { formula }]) => [formula as string, name as GasName]))

/** Gases that stand in the equation as what forms beside the product, in the first step in whose vessel all reactants have met; all of it, as far as the limiting one goes. */
function gasesOfEquation(plan: Plan, table: ReactionTable, mmHg: number): GasAt[] {
  const reactants = plan.lines.filter(isReactant)
  const [first, last] = [reactants[0], reactants.at(-1)]
  const where = stepContents(plan, table).find(({ contents }) =>
    reactants.every(({ id }) => contents.some(({ line }) => line.id === id)),
  )
  if (!where || !first || !last) return []
  return table.lines.flatMap(({ line, substance, amount }): GasAt[] => {
    const gas = line.role === 'by-product' ? gasByFormula.get(substance.formula ?? '') : undefined
    if (!gas || !amount) return []
    const from: GasAt['from'] = [substanceOf(plan, first).name, substanceOf(plan, last).name]
    return [{ step: where.step, gas, litres: gasLitres(amount.value, mmHg), from }]
  })
}

/**
 * Every gas that forms in a plan: by the meeting of two classes, in the step in which they meet, where what more of either adds later comes off too; and of the rest what stands in the equation.
 */
export function gasesIn(plan: Plan, table: ReactionTable, mmHg = 760): GasAt[] {
  const met = gasesOfMeetings(plan, table, mmHg)
  const known = new Set(met.map(({ gas }) => gas))
  return [...met, ...gasesOfEquation(plan, table, mmHg).filter(({ gas }) => !known.has(gas))]
}

function gasesOfMeetings(plan: Plan, table: ReactionTable, mmHg: number): GasAt[] {
  const before = new Map<string, number>()
  return stepContents(plan, table).flatMap(({ step, contents }) => {
    const here = new Map<string, GasAt & { mmol: number }>()
    for (const { meeting, one, other } of pairsAmong(contents)) {
      // Water is never short, weighed or not.
      const others = meeting.other === 'water' ? Infinity : other.mmol
      if (one.mmol === null || others === null) continue
      for (const gas of gasesOf(meeting, one.substance)) {
        const name = `${pairName({ one, other })} ${gas.of}`
        const mmol = gasOf(
          gas,
          meeting,
          { substance: one.substance, mmol: one.mmol },
          { substance: other.substance, mmol: others },
        )
        if (mmol > (here.get(name)?.mmol ?? 0))
          here.set(name, { step, gas: gas.of, litres: 0, from: [one.substance.name, other.substance.name], mmol })
      }
    }
    return [...here].flatMap(([name, { mmol, ...at }]) => {
      const fresh = mmol - (before.get(name) ?? 0)
      if (fresh <= 1e-9) return []
      before.set(name, mmol)
      return [{ ...at, litres: gasLitres(fresh, mmHg) }]
    })
  })
}
