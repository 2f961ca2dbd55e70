import { lineOf, substanceOf } from '../../plan/plan'
import type { ComputedLine } from '../../reaction/reactionTable'
import type { RunState } from '../../run/foldRun'
import type { BaseResults } from '../baseResults'
import type { Checked } from './checked'
import { significant } from './significant'

/** The line that they say sets the limit, beside the one that does. */
export function limitingChecked(
  { plan }: RunState,
  reactants: readonly ComputedLine[],
  theirs: ReadonlyMap<string, number>,
  base: BaseResults,
  typed: string,
): Checked {
  const nameOf = (id: string) => substanceOf(plan, lineOf(plan, id)).name
  const least = (of: (line: ComputedLine) => number) => [...reactants].sort((a, b) => of(a) - of(b))[0]?.line.id
  const own = (line: ComputedLine) => theirs.get(line.line.id) ?? line.amount!.value
  const ok = base.limiting.includes(typed)
  const follows = !ok && typed === least((line) => own(line) / line.line.coefficient!)
  const slip =
    typed === least(own)
      ? 'The amounts were compared without their coefficients: n ÷ ν decides.'
      : typed === least((line) => line.mass?.value ?? Infinity)
        ? 'The masses were compared: amounts decide, each over its coefficient.'
        : typed === mostOf(reactants)
          ? 'That one is in excess.'
          : null
  return {
    field: 'limiting',
    of: 'the limiting reagent',
    typed: reactants.some(({ line }) => line.id === typed) ? nameOf(typed) : typed,
    right: base.limiting.map(nameOf).join(' and '),
    ok,
    follows,
    slip: ok || follows ? null : slip,
    working: reactants
      .map(
        ({ line, substance, perCoefficient, amount }) =>
          `${substance.name}: ${significant(amount!.value)} ÷ ${line.coefficient} = ${significant(perCoefficient!.value)} mmol`,
      )
      .join('; '),
  }
}

/** The reactant of which there is most to its coefficient. */
const mostOf = (reactants: readonly ComputedLine[]) =>
  [...reactants].sort((a, b) => b.perCoefficient!.value - a.perCoefficient!.value)[0]?.line.id
