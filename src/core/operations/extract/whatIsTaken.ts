import { writeNumber } from '../../quantity/write'
import { isHydrocarbon } from '../../substance/atoms'
import { saturatedSodiumChloride } from '../../matter/saltingOut'
import { fractionLeft, fractionLimit, portionFor, portionsFor } from '../../matter/partition'
import { distributionAt } from '../../matter/pH'
import type { Thing } from '../../matter/thing'
import { fact, inPowers, type Advice, type Context, type Report } from '../planner'
import { type ShakingBlanks } from './blanks'
import { amountOf, kHere, type LayersHere } from './layersHere'
import { saltingOf } from './saltingOf'

/** What a step is for: mmol of it in the layer that is shaken, and the part that is taken. */
export interface Target {
  thing: Thing
  held: number
  taken: number
}

/** What K rests on, in words. */
const by = {
  written: 'as it was written',
  record: 'of its record',
  solubilities: 'from its solubilities in both',
  octanol: 'octanol’s',
  'carbon atoms': 'guessed by its carbon atoms',
  'stays in water': 'it stays in the water',
  'stays out of water': 'it stays out of the water',
} as const

/** How much each portion takes of what the step is for, and how many are wanted. */
export function whatIsTaken(
  context: Context,
  here: LayersHere,
  { target, short }: { target: Target; short: boolean },
  filled: ShakingBlanks,
): Pick<Report, 'facts' | 'advice'> {
  const { portions, portionML } = filled
  const { thing } = target
  const { shaken, layers } = here
  const wanted = filled.wantedPercent / 100
  const facts: Report['facts'] = []
  const advice: Advice[] = []
  const intoWater = shaken.kind === 'organic'
  const salting = saltingOf(filled)
  const known = kHere(context, thing, here.solvent)
  const sure = known?.by === 'record' || known?.by === 'written' || known?.by === 'solubilities'
  // What rests on a K that nobody has for this solvent is no doubt about the plan.
  const doubt = sure ? 'doubt' : 'open'
  const pH = layers.find(({ name }) => name === (intoWater ? filled.into : here.left.name))?.pH ?? here.left.pH
  const taken = fact('taken', `taken in ${portions} × ${writeNumber(portionML, 0)} mL`, 100 * target.taken, '%', 1, {
    how: `${writeNumber(target.held, 1)} mmol before, ${writeNumber(target.held * (1 - target.taken), 2)} mmol after, portion by portion at the pH that each comes to`,
    atBench: true,
  })
  if (known && pH !== null) {
    const D = salting * distributionAt(thing, known.K.likely, pH)
    // Seen from the layer that is shaken: what the portions prefer to it.
    const pull = intoWater ? 1 / D : D
    const shape = { D: pull, waterML: shaken.mL, portionML }
    const one = 1 - fractionLeft({ ...shape, portionML: portionML * portions, portions: 1 })
    const count = Number.isFinite(pull) ? portionsFor(wanted, shape) : 1
    const pKas = [
      ...(thing.acid.length > 0 ? [`pKa ${thing.acid[0]}`] : []),
      ...(thing.base === null ? [] : [`pKaH ${thing.base}`]),
    ]
    facts.push(
      {
        ...fact('D', `D of ${thing.name}`, D, '', 3),
        text: inPowers(D),
        how: `K ${writeNumber(known.K.likely, 1)}, ${by[known.by]}, at pH ${writeNumber(pH, 1)}${pKas.map((each) => `, ${each}`).join('')}: D = K/(1 + Σ of its other forms)${salting > 1 ? `, times ${writeNumber(salting, 1)} for the salt` : ''}`,
      },
      taken,
      fact('pH', 'pH of the water then', pH, '', 1, { how: 'where the charges of what is in it add up to nothing' }),
    )
    if (!short) {
      facts.push(
        fact('at-once', 'the same volume at once', 100 * one, '%', 1),
        fact('limit', 'limit, ever smaller portions', 100 * (1 - fractionLimit(pull, shaken.mL, portionML * portions)), '%', 1, {
          how: `1 − exp(−D·V_tot/V)`,
        }),
      )
      if (count !== null)
        facts.push(
          fact('count', `portions of ${writeNumber(portionML, 0)} mL for ${writeNumber(100 * wanted, 0)} %`, count, '', 0),
        )
      if (count === null)
        advice.push({
          id: 'never',
          level: doubt,
          words: `No reasonable number of portions takes ${writeNumber(100 * wanted, 0)} % of ${thing.name} out: change the pH or the solvent, or salt it out.`,
        })
      else if (count > portions)
        advice.push({
          id: 'more',
          level: doubt,
          words: `For ${writeNumber(100 * wanted, 0)} % take ${count} portions of ${writeNumber(portionML, 0)} mL, or ${portions} of ${writeNumber(portionFor(wanted, { ...shape, portions }), 0)} mL.`,
        })
    }
  } else facts.push(taken)
  const wateryML = intoWater ? portions * portionML : shaken.mL
  if (salting > 1)
    facts.push(
      fact('salt', 'sodium chloride to saturate the water', wateryML * saturatedSodiumChloride.gPerMLWater, 'g', 0, {
        how: `${writeNumber(wateryML, 0)} mL × ${saturatedSodiumChloride.gPerMLWater} g/mL`,
        atBench: true,
      }),
      fact('salting', 'and it raises K', salting, 'times', 1, {
        how: `10^(${filled.setschenow} L/mol × ${saturatedSodiumChloride.molPerL} mol/L), Setschenow`,
      }),
    )
  const where = mostlyIn(here, thing)
  if (where)
    advice.push({
      id: 'where',
      // What rests on another solvent's K is never called good.
      level: where.fraction <= 0.9 ? 'doubt' : sure ? 'good' : 'open',
      words: `${writeNumber(100 * where.fraction, 1)} % of ${thing.name} is now in ${where.layer}.`,
    })
  if (known?.by === 'octanol') advice.push(octanolsK(thing, here.solvent))
  return { facts, advice }
}

/** The layer that holds most of a thing, with the part of it; null where nobody can say. */
function mostlyIn({ layers }: LayersHere, thing: Thing): { layer: string; fraction: number } | null {
  const amounts = layers.map(({ name, holds }) => ({ layer: name, mmol: amountOf(holds, thing) }))
  const total = amounts.reduce((sum, { mmol }) => sum + (mmol ?? 0), 0)
  if (total <= 0 || amounts.some(({ mmol }) => mmol === null)) return null
  const [most] = [...amounts].sort((a, b) => b.mmol! - a.mmol!)
  return { layer: most!.layer, fraction: most!.mmol! / total }
}

/** So far octanol's K may be off in another solvent, as a factor: hydrogen-bond donors into hydrocarbons, and all else (Leo, Hansch and Elkins, Chem. Rev. 71 (1971) 525). */
const octanolOff = { donorIntoHydrocarbon: 100, other: 10 } as const

/** That K is octanol's, and what that is worth in this solvent. */
function octanolsK({ name, substance }: Thing, solvent: Thing): Advice {
  const donor = substance.groups?.some((group) => ['alcohol', 'phenol', 'carboxylic acid', 'amine'].includes(group))
  const factor = donor && isHydrocarbon(solvent.substance.formula) ? octanolOff.donorIntoHydrocarbon : octanolOff.other
  return {
    id: 'octanol',
    level: 'open',
    words: `K of ${name} is octanol’s: into ${solvent.name} it may be off by a factor of ${factor}. Try it in a tube, or write K in.`,
    why: 'log P is measured between octan-1-ol and water',
  }
}
