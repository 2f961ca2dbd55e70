import { isHydrocarbon } from '../../substance/atoms'
import { writeNumber } from '../../quantity/write'
import { saturatedSodiumChloride } from '../../matter/saltingOut'
import { mostlyIn, type FlowState, type Layer, type Solute } from './layerFlow'
import { distributionRatio, fractionLeft, fractionLimit, portionFor, portionsFor } from '../../matter/partition'
import { saltingOf } from './flowOfPlan'
import { heldById } from '../../substance/heldById'
import { organicLayer } from '../vessel/inVessel'
import { fact, inPowers, type Advice, type Context, type Report } from '../planner'
import { type ShakingBlanks } from './blanks'

/** The substance that a step is for: what the layer that is shaken held of it, and the part that is taken. */
interface Target {
  solute: Solute
  /** What is printed for it. */
  name: string
  held: number
  taken: number
}

/** How much each portion takes of what the step is for, and how many are wanted. */
export function whatIsTaken(
  { state, shaken, target, short }: { state: FlowState; shaken: Layer; target: Target; short: boolean },
  filled: ShakingBlanks,
): Pick<Report, 'facts' | 'advice'> {
  const { portions, portionML } = filled
  const wanted = filled.wantedPercent / 100
  const facts: Report['facts'] = []
  const advice: Advice[] = []
  const intoWater = shaken.kind === 'organic'
  const salting = saltingOf(filled)
  // The pH that the water came to, which is the typed one where one was typed.
  const pH = state.layers.find(({ name }) => name === (intoWater ? filled.into : shaken.name))?.pH ?? filled.pH
  const D = salting * distributionRatio(target.solute, pH)
  // Seen from the layer that is shaken: what the portions prefer to it.
  const pull = intoWater ? 1 / D : D
  const one = 1 - fractionLeft({ D: pull, waterML: shaken.volumeML, portionML: portionML * portions, portions: 1 })
  const count = portionsFor(wanted, { D: pull, waterML: shaken.volumeML, portionML })
  const wateryML = intoWater ? portions * portionML : shaken.volumeML
  const at = `V = ${writeNumber(shaken.volumeML, 0)} mL`
  facts.push(
    {
      ...fact('D', `D of ${target.name}`, D, '', 3),
      text: inPowers(D),
      how: `K = ${writeNumber(target.solute.K, 1)} at pH ${writeNumber(pH, 1)}${target.solute.acidPKa === undefined ? '' : `, pKa ${target.solute.acidPKa}`}${target.solute.basePKa === undefined ? '' : `, pKaH ${target.solute.basePKa}`}: D = K/(1 + 10^(pH − pKa) + 10^(pKaH − pH)${target.solute.acidPKa !== undefined && target.solute.basePKa !== undefined ? ' + 10^(pKaH − pKa)' : ''})${salting > 1 ? `, times ${writeNumber(salting, 1)} for the salt` : ''}`,
    },
    fact('taken', `taken in ${portions} × ${writeNumber(portionML, 0)} mL`, 100 * target.taken, '%', 1, {
      how: short
        ? 'from the charges in the water: as far as the reagent reaches'
        : `1 − (V/(V + D·v))^n, ${at}, D ${intoWater ? 'counted the other way round' : `= ${writeNumber(D, 2)}`}`,
      atBench: true,
    }),
    fact('pH', 'pH of the water then', pH, '', 1, { how: 'where the charges of what is in it add up to nothing' }),
    ...(short
      ? []
      : [
          fact('at-once', 'the same volume at once', 100 * one, '%', 1),
          fact(
            'limit',
            'limit, ever smaller portions',
            100 * (1 - fractionLimit(pull, shaken.volumeML, portionML * portions)),
            '%',
            1,
            { how: `1 − exp(−D·V_tot/V)` },
          ),
        ]),
    ...(salting > 1
      ? [
          fact('salt', 'sodium chloride to saturate the water', wateryML * saturatedSodiumChloride.gPerMLWater, 'g', 0, {
            how: `${writeNumber(wateryML, 0)} mL × ${saturatedSodiumChloride.gPerMLWater} g/mL`,
            atBench: true,
          }),
          fact('salting', 'and it raises K', salting, 'times', 1, {
            how: `10^(${filled.setschenow} L/mol × ${saturatedSodiumChloride.molPerL} mol/L), Setschenow`,
          }),
        ]
      : []),
    ...(count === null || short
      ? []
      : [fact('count', `portions of ${writeNumber(portionML, 0)} mL for ${writeNumber(100 * wanted, 0)} %`, count, '', 0)]),
  )
  if (!short && count === null)
    advice.push({
      id: 'never',
      level: 'doubt',
      words: `No reasonable number of portions takes ${writeNumber(100 * wanted, 0)} % of ${target.name} out: change the pH or the solvent, or salt it out.`,
    })
  else if (!short && count !== null && count > portions)
    advice.push({
      id: 'more',
      level: 'doubt',
      words: `For ${writeNumber(100 * wanted, 0)} % take ${count} portions of ${writeNumber(portionML, 0)} mL, or ${portions} of ${writeNumber(portionFor(wanted, { D: pull, waterML: shaken.volumeML, portions }), 0)} mL.`,
    })
  const where = mostlyIn(state, target.solute.id)
  if (where)
    advice.push({
      id: 'where',
      level: where.fraction > 0.9 ? 'good' : 'doubt',
      words: `${writeNumber(100 * where.fraction, 1)} % of ${target.name} is now in ${where.layer}.`,
    })

  return { facts, advice }
}

/** So far octanol's K may be off in another solvent, as a factor: hydrogen-bond donors into hydrocarbons, and all else (Leo, Hansch and Elkins, Chem. Rev. 71 (1971) 525). */
const octanolOff = { donorIntoHydrocarbon: 100, other: 10 } as const

/** That K is octanol's where the solvent has none of its own on record, and what that is worth. */
export function octanolsK({ plan, ...context }: Context, { id, K }: Solute): Advice[] {
  const substance = heldById(plan.substances, id)
  const solvent = organicLayer({ plan, ...context })?.solvents[0]
  if (!substance?.logP || solvent === undefined || Math.abs(Math.log10(K) - substance.logP.value) > 0.01) return []
  const into = plan.substances.find((each) => each.id === solvent)
  const donor = substance.groups?.some((group) => ['alcohol', 'phenol', 'carboxylic acid', 'amine'].includes(group))
  const factor = donor && isHydrocarbon(into?.formula) ? octanolOff.donorIntoHydrocarbon : octanolOff.other
  return [
    {
      id: 'octanol',
      level: 'open',
      words: `K of ${substance.name} is octanol’s: into ${into?.name ?? 'this solvent'} it may be off by a factor of ${factor}. Try it in a tube, or write K in.`,
      why: 'log P is measured between octan-1-ol and water',
    },
  ]
}
