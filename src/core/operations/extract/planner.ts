import { writeNumber } from '../../quantity/write'
import { givesCarbonDioxide } from '../../substance/acidBase'
import { operationIn } from '../registry'
import { densityOf, mainSubstance } from '../../plan/plan'
import { emulsionLadder, loadedDensity, uncertainBelow, whichOnTop } from './layers'
import { saturatedSodiumChloride, usualSetschenow } from './saltingOut'
import { mostlyIn, type FlowState, type Layer, type Solute } from './layerFlow'
import { distributionRatio, fractionLeft, fractionLimit, portionFor, portionsFor } from './partition'
import { fillRule, fittingSize } from '../vessel/vessel'
import { flowOfPlan, pHOf, saltingOf, shakenWith, solutesOf, type PlanFlow } from './flowOfPlan'
import { calledBy } from '../../substance/calledBy'
import { organicLayer } from '../vessel/inVessel'
import { discarded } from './rules'
import { shortOfReagent } from './shortOfReagent'
import { fact, inPowers, ofPlan, planner, rough, unknown, usual, type Advice, type Context, type Report } from '../planner'
import { shaking, type ShakingBlanks } from './blanks'

/** The flow of layers up to and with a step: what stands where now and before, and the layer that the step shakes as it was. */
export function flowHere(
  context: Context,
): { flow: PlanFlow; state: FlowState; before: FlowState | undefined; shaken: Layer } | null {
  const flow = flowOfPlan(context)
  const at = flow?.states.findIndex(({ step }) => step === context.step.id) ?? -1
  if (!flow || at < 0) return null
  const before = flow.states[at - 1]?.state
  const first: Layer = { ...flow.start, holds: Object.fromEntries(flow.solutes.map(({ id, mmol }) => [id, mmol])) }
  const shaken = (before?.layers ?? [first]).find(({ name }) => name === flow.states[at]!.layer)
  return shaken ? { flow, state: flow.states[at]!.state, before, shaken } : null
}

/** What a step of extraction or washing suggests, from the liquid that goes into it. */
export function suggestShaking(context: Context, typed: Partial<ShakingBlanks>) {
  const { plan, table, step } = context
  const goes = shakenWith(table, step)
  const portions = typed.portions ?? 1
  const earlier = plan.steps
    .slice(0, plan.steps.indexOf(step))
    .some((other) => shakenWith(table, other) && operationIn(other)?.shakes)
  const organic = organicLayer(context)
  return {
    portions: usual(1, 'all of it at once'),
    portionML: goes
      ? ofPlan(rough(goes.volumeML / portions), `volume of ${goes.substance.name} over the portions`)
      : unknown(rough(20 / portions), 'the step names nothing to shake with'),
    pH: goes?.watery
      ? ofPlan(
          pHOf(goes.line, goes.substance),
          `${goes.substance.name} as it goes in; what it comes to with what is in the layer is worked out`,
        )
      : usual(7, 'water'),
    layer: unknown('', 'the one of the other kind'),
    into: ofPlan(`${goes?.substance.name ?? 'wash'} of “${step.title}”`, 'what is shaken with, and the step'),
    wantedPercent: usual(99, 'nearly all'),
    salt: usual('none' as const, 'none stands in the step'),
    setschenow: usual(usualSetschenow, 'of most neutral substances'),
    ...(earlier ? {} : { solutes: ofPlan(solutesOf(context, organic?.solvents[0]), 'what the plan puts in and makes') }),
  }
}

/** A solvent that boils below this presses the stopper out, °C: ether 35, dichloromethane 40, tert-butyl methyl ether 55. */
const quickC = 60

/** The substance that a step is for: what the layer that is shaken held of it, and the part that is taken. */
interface Target {
  solute: Solute
  held: number
  taken: number
}

/** How much each portion takes of what the step is for, and how many are wanted. */
function whatIsTaken(
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
      ...fact('D', `D of ${target.solute.id}`, D, '', 3),
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
      words: `No reasonable number of portions takes ${writeNumber(100 * wanted, 0)} % of ${target.solute.id} out: change the pH or the solvent, or salt it out.`,
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
      words: `${writeNumber(100 * where.fraction, 1)} % of ${target.solute.id} is now in ${where.layer}.`,
    })

  return { facts, advice }
}

/** Extraction: what each portion takes, how many are wanted, which layer lies on top, and what is where after it. */
export const extracting = planner({
  of: 'extract',
  title: 'Extraction',
  sentences: (say, { salt }) => [
    say`Shake with ${'portions'} portions of ${'portionML'} each, water at pH ${'pH'}, drawn into ${'into'}.`,
    salt === 'saturated'
      ? say`Salt in the water: ${'salt'}, Setschenow constant ${'setschenow'}.`
      : say`Salt in the water: ${'salt'}.`,
    say`To take out ${'wantedPercent'} of what should go. ${'solutes'}`,
  ],
  fields: shaking,
  suggest: suggestShaking,
  tables: layersOf,
  doubts: { 'on-top': 'Either layer may lie on top' },
  rules: [discarded],
  report: (context, filled) => {
    const here = flowHere(context)
    if (!here)
      return {
        facts: [],
        advice: [
          {
            id: 'no-layers',
            level: 'doubt',
            words: filled.layer
              ? `There is no layer “${filled.layer}” to shake yet.`
              : 'This step names no liquid to shake with, or a flask that holds the other kind of layer.',
          },
        ],
      }
    const { state, flow, shaken } = here
    // What goes into the new layer most is what this step is for.
    const moved = flow.solutes
      .map((solute) => {
        const held = shaken.holds[solute.id] ?? 0
        const left = state.layers.find(({ name }) => name === shaken.name)?.holds[solute.id] ?? 0
        return { solute, held, taken: held > 0 ? 1 - left / held : 0 }
      })
      .filter(({ held, solute }) => held > 1e-6 * Math.max(solute.mmol, 1e-9))
    const product = context.plan.mainProduct === undefined ? undefined : mainSubstance(context.plan)?.name
    const target =
      product === undefined
        ? [...moved].sort((a, b) => b.taken * b.held - a.taken * a.held)[0]
        : moved.find(({ solute }) => solute.id === product)
    const facts: Report['facts'] = []
    const advice: Advice[] = []
    if (product !== undefined && !target)
      advice.push({
        id: 'unknown',
        level: 'doubt',
        words: `No partition coefficient of ${product} is on record: write it among the substances of the first extraction or wash to see how much each portion takes.`,
      })
    const short = shortOfReagent(context)
    if (short)
      advice.push({
        id: 'too-little',
        level: 'danger',
        words:
          short.has === null
            ? `How strong ${short.reagent} is in “${short.title}” is not known, so how much it takes is not either.`
            : `${short.reagent} in “${short.title}” holds ${writeNumber(short.has, 1)} mmol, and ${short.targets.join(' and ')} ${short.targets.length > 1 ? 'are' : 'is'} ${writeNumber(short.needs, 1)} mmol: it cannot take all of it. ${short.typed ? 'How much goes over is not worked out; take' : 'Take'} more.`,
        why: short.typed
          ? 'once the reagent is spent the pH typed here no longer holds'
          : 'an acid or a base goes over as far as the other reaches',
      })
    if (target && !short?.typed) {
      const found = whatIsTaken({ state, shaken, target, short: short?.step === context.step.id }, filled)
      facts.push(...found.facts)
      advice.push(...found.advice)
    }
    if (target) advice.push(...octanolsK(context, target.solute))
    advice.push(...layersAdvice(context, { shaken, filled }))
    return { facts, advice, ladder: { title: 'If an emulsion stands, gentlest first', rungs: [...emulsionLadder] } }
  },
})

/** So far octanol's K may be off in another solvent, as a factor: hydrogen-bond donors into hydrocarbons, and all else (Leo, Hansch and Elkins, Chem. Rev. 71 (1971) 525). */
const octanolOff = { donorIntoHydrocarbon: 100, other: 10 } as const

/** That K is octanol's where the solvent has none of its own on record, and what that is worth. */
function octanolsK({ plan, ...context }: Context, { id, K }: Solute): Advice[] {
  const substance = calledBy(plan.substances, id)
  const solvent = organicLayer({ plan, ...context })?.solvents[0]
  if (!substance?.logP || solvent === undefined || Math.abs(Math.log10(K) - substance.logP.value) > 0.01) return []
  const into = plan.substances.find((each) => each.id === solvent)
  const donor = substance.groups?.some((group) => ['alcohol', 'phenol', 'carboxylic acid', 'amine'].includes(group))
  const factor =
    donor && into?.formula !== undefined && /^C\d+H\d+$/.test(into.formula) ? octanolOff.donorIntoHydrocarbon : octanolOff.other
  return [
    {
      id: 'octanol',
      level: 'open',
      words: `K of ${substance.name} is octanol’s: into ${into?.name ?? 'this solvent'} it may be off by a factor of ${factor}. Try it in a tube, or write K in.`,
      why: 'log P is measured between octan-1-ol and water',
    },
  ]
}

/** Densities of both layers with what is dissolved in them, g/mL; null where nothing in the funnel parts from water. */
function densitiesHere(context: Context, shaken: Layer, salted: boolean) {
  const { plan, table, step } = context
  const organic = organicLayer(context)
  if (!organic) return null
  const goes = shakenWith(table, step)
  // What the organic layer still holds, as the step before has left it.
  const solute = Object.entries(shaken.kind === 'organic' ? shaken.holds : {}).reduce((sum, [name, mmol]) => {
    const found = table.lines.find(({ substance }) => substance === calledBy(plan.substances, name))
    return sum + (found?.line.role === 'component' && found.molarMass ? (mmol * found.molarMass) / 1000 : 0)
  }, 0)
  return {
    organicGPerML: loadedDensity(organic.volumeML, organic.gPerML, solute),
    wateryGPerML: salted ? saturatedSodiumChloride.gPerML : goes?.watery ? (densityOf(plan, goes.line)?.gPerML ?? 1.0) : 1.0,
  }
}

/** What is believed to stand in each layer of a step that shakes two, the upper first, and on what ground; null where nobody can say. */
export function layersBelieved(
  context: Context,
  filled: ShakingBlanks,
): { what: string; why: 'density' | 'nobody knows' }[] | null {
  const here = flowHere(context)
  const organic = organicLayer(context)
  const densities = here && densitiesHere(context, here.shaken, saltingOf(filled) > 1)
  if (!here || !organic || !densities) return null
  const watery = shakenWith(context.table, context.step)?.substance.name ?? 'water'
  const named = {
    organic: `${organic.name}, ${writeNumber(densities.organicGPerML, 2)} g/mL`,
    watery: `${watery}, ${writeNumber(densities.wateryGPerML, 2)} g/mL`,
  }
  const { top, certain } = whichOnTop(densities.organicGPerML, densities.wateryGPerML)
  const why = certain ? ('density' as const) : ('nobody knows' as const)
  return (top === 'organic' ? [named.organic, named.watery] : [named.watery, named.organic]).map((what) => ({
    what: certain ? what : `${named.organic} or ${named.watery}`,
    why,
  }))
}

/** Which layer is on top, which funnel, when to vent, how to take the layers out. */
export function layersAdvice(
  context: Context,
  { shaken, filled }: { shaken: Layer; filled: Pick<ShakingBlanks, 'portionML' | 'salt' | 'setschenow'> },
): Advice[] {
  const { plan, table, step, lab } = context
  const goes = shakenWith(table, step)
  const organic = organicLayer(context)
  const [layerML, portionML, salted] = [shaken.volumeML, filled.portionML, saltingOf(filled) > 1]
  const advice: Advice[] = []
  const densities = densitiesHere(context, shaken, salted)
  if (organic && densities) {
    const { organicGPerML, wateryGPerML } = densities
    const { top, certain, difference } = whichOnTop(organicGPerML, wateryGPerML)
    advice.push({
      id: 'on-top',
      level: certain ? 'open' : 'doubt',
      words: certain
        ? `The ${top === 'organic' ? `${organic.name} layer` : 'watery layer'} lies on top.`
        : `Either layer may lie on top: they differ by ${writeNumber(difference, 3)} g/mL, less than ${uncertainBelow}. Add salt, and let a drop of each fall into water.`,
      why: `${writeNumber(organicGPerML, 2)} against ${writeNumber(wateryGPerML, 2)} g/mL with what is dissolved; a drop that vanishes in water came from the watery layer`,
    })
  }
  const all = layerML + portionML
  const size = fittingSize('separating funnel', all)
  const used = context.now.vessel
  if (used?.kind === 'separating funnel' && all > fillRule['separating funnel'].most * used.sizeML)
    advice.push({
      id: 'funnel',
      level: 'doubt',
      words: `Both layers make ${writeNumber(all, 0)} mL, too much for the ${used.sizeML} mL funnel: take ${size ?? 'two fillings of the largest'} mL.`,
    })
  else
    advice.push({
      id: 'funnel',
      level: 'open',
      words: `A ${used?.kind === 'separating funnel' ? used.sizeML : (size ?? 1000)} mL funnel: ${writeNumber(all, 0)} mL with both layers in.`,
      why: 'at most three quarters full',
    })
  const gassy = goes && givesCarbonDioxide(goes.substance)
  const quick = organic && plan.substances.some(({ name, boiling }) => name === organic.name && boiling && boiling.lowC < quickC)
  advice.push({
    id: 'vent',
    level: gassy ? 'danger' : 'open',
    words: `Invert, point away from people, open: ${gassy ? 'swirl open first, then after every second shake' : quick ? 'after every second shake at first' : 'after the first shakes, then now and then'}.`,
    why: gassy ? 'carbon dioxide' : 'warm vapour presses the stopper out',
  })
  advice.push({
    id: 'out',
    level: 'open',
    words:
      lab.layersOut === 'top through the top'
        ? 'Bottom layer out through the tap, top layer out at the top.'
        : 'Both layers out through the tap, the boundary into a flask of its own.',
    why:
      lab.layersOut === 'top through the top'
        ? 'the bore of the tap holds drops of the other layer'
        : 'the school of this laboratory; dry the upper layer longer',
  })
  advice.push({
    id: 'keep',
    level: 'open',
    words: `Every layer into a named flask; none is thrown away before the product has been weighed. Then neutral, harmless water goes ${lab.harmlessWater === 'sink' ? 'into the sink, where local rules allow it' : 'into its container'}.`,
  })
  return advice
}

/** The substances that are followed at a step, with how much of each every layer holds. */
export function whereItIs(
  context: Context,
): { solutes: string[]; layers: { name: string; kind: string; volumeML: number; pH: number; share: number[] }[] } | null {
  const here = flowHere(context)
  if (!here || shortOfReagent(context)?.typed) return null
  const { flow, state } = here
  const totals = flow.solutes.map(({ id }) => state.layers.reduce((sum, { holds }) => sum + (holds[id] ?? 0), 0))
  return {
    solutes: flow.solutes.map(({ id }) => id),
    layers: state.layers.map(({ name, kind, volumeML, pH, holds }) => ({
      name,
      kind,
      volumeML,
      pH,
      share: flow.solutes.map(({ id }, i) => (totals[i]! > 0 ? (holds[id] ?? 0) / totals[i]! : 0)),
    })),
  }
}

/** Fraction taken out against the number of portions into which the same volume is parted, for the substance that moves least easily of those that should. */
export function recoveryByPortions(context: Context, filled: ShakingBlanks): { portions: number; percent: number }[] {
  const here = flowHere(context)
  if (!here || shortOfReagent(context)?.typed) return []
  const { flow, shaken } = here
  const product = context.plan.mainProduct === undefined ? undefined : mainSubstance(context.plan)?.name
  const pulls = flow.solutes
    .filter(({ id }) => (product === undefined ? (shaken.holds[id] ?? 0) > 0 : id === product))
    .map((solute) => {
      const D = saltingOf(filled) * distributionRatio(solute, shaken.kind === 'organic' ? filled.pH : shaken.pH)
      return shaken.kind === 'organic' ? 1 / D : D
    })
    .filter((pull) => pull > 0.05)
  if (pulls.length === 0) return []
  const pull = Math.min(...pulls)
  const total = filled.portions * filled.portionML
  return Array.from({ length: 8 }, (_, index) => ({
    portions: index + 1,
    percent: 100 * (1 - fractionLeft({ D: pull, waterML: shaken.volumeML, portionML: total / (index + 1), portions: index + 1 })),
  }))
}

/** What is in which layer, as a table; nothing where it is not known. */
export function layersOf(context: Context): Record<string, unknown> {
  const layers = whereItIs(context)
  return layers ? { layers } : {}
}
