import { taking } from '../taken'
import { mainSubstance } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { densityOf, mainLiquid, volumeOf } from '../../matter/phase'
import type { Phase } from '../../matter/state'
import { isFollowed } from '../extract/layersHere'
import { partsUsed } from '../../plan/partsUsed'
import { writeNumber } from '../../quantity/write'
import { agentsFor, dryingAgents, dryingDose, speaksAgainst, waterInSolvent } from './dryingAgents'
import { vesselBefore } from '../vessel/stoodAt'
import { fact, ofLab, ofPlan, ofRecord, planner, rough, usual, when, type Advice, type Context } from '../planner'
import { blank, oneOf } from '../fields'

const fields = [
  blank('volumeML', 'volume', 'mL', 0.1, 20_000),
  blank('density', 'density', 'g/mL', 0.5, 3),
  oneOf(
    'agent',
    'drying agent',
    dryingAgents.map(({ name }) => name),
  ),
  blank('waterPercent', 'water dissolved', 'g', 0, 50),
  blank('dropletsML', 'droplets of water', 'mL', 0, 100),
] as const

/** The liquid that is dried, as it stands in the vessel by then: the organic phase, else what there is. */
function liquidHere(context: Context): Phase | undefined {
  const phases = vesselBefore(context)?.phases.filter(({ kind }) => kind !== 'solid')
  return phases?.find(({ kind }) => kind === 'organic') ?? phases?.[0]
}

/** Less of a substance than this part of what there is most of is a trace, which chooses no agent. */
const trace = 0.05

/** The substances that are dissolved in it or make it, and are not its solvent. */
function dissolvedHere(context: Context): Substance[] {
  const phase = liquidHere(context)
  const product = mainSubstance(context.plan)
  const followed = phase?.holds.filter(({ thing }) => isFollowed(context, thing)) ?? []
  const most = Math.max(0, ...followed.map(({ amount }) => amount ?? 0))
  const things = followed.filter(({ amount }) => amount === null || amount >= trace * most).map(({ thing }) => thing)
  const found = [...new Set(things.map(({ substance }) => substance))]
  if (context.plan.mainProduct !== undefined && product) return found.includes(product) ? [product] : found
  return found
}

/** The solids that the step itself puts in. */
function solidsHere({ table, step }: Context) {
  return partsUsed(step).flatMap(({ line }) =>
    table.lines.filter((each) => each.line.id === line && each.line.form.kind === 'solid' && each.line.role === 'work-up'),
  )
}

/** Drying a solution: which agent for this product, how much, how long, how one sees that it is dry. */
export const dryingSolutions = planner({
  of: 'dry-solution',
  title: 'Drying the solution',
  sentences: (say) => [
    say`Dry ${'volumeML'} of density ${'density'} over ${'agent'}; 100 g of it hold ${'waterPercent'} of water, and ${'dropletsML'} hang in it.`,
  ],
  fields,
  doubts: { against: 'The drying agent binds the product', 'wet-agent': 'The drying agent is a hydrate' },
  suggest: (context) => {
    const { table, step, lab } = context
    const used = partsUsed(step).flatMap(({ line }) => table.lines.filter((each) => each.line.id === line))
    const phase = liquidHere(context)
    const solvent = phase && mainLiquid(phase)
    const gPerML = phase && densityOf(phase)
    const volumeML = Math.max(1, phase ? volumeOf(phase).mL : 0)
    const inPlan = dryingAgents.find(({ formula }) => used.some(({ substance }) => substance.formula === formula))
    const dissolved = dissolvedHere(context).flatMap(({ groups }) => groups ?? [])
    const waterHeld = solvent && waterInSolvent[solvent.substance.id]
    return {
      volumeML: ofPlan(rough(volumeML), 'the liquid that is in the vessel by then'),
      density: gPerML
        ? ofPlan(rough(gPerML), `${solvent?.name ?? 'the liquid'} with what is dissolved in it`)
        : usual(0.9, 'how much is in it is not known'),
      agent: inPlan
        ? ofPlan(inPlan.name, 'it stands in this step')
        : ofLab(agentsFor(dissolved, lab.dryingAgent)[0]!.agent.name, 'its own, or the next that bears what is dissolved'),
      waterPercent:
        waterHeld === undefined
          ? usual(1, 'how much water it holds is not on record')
          : ofRecord(waterHeld, `water in ${solvent!.name} at 20 °C`),
      dropletsML: usual(rough(0.01 * volumeML), 'a hundredth of the layer'),
    }
  },
  takes: (context, { agent, volumeML, density, waterPercent, dropletsML }) => {
    // Where the plan has it in a line of its own, it is issued as that.
    if (solidsHere(context).length > 0) return []
    const chosen = dryingAgents.find(({ name }) => name === agent)
    if (!chosen) return []
    const { firstDoseG } = dryingDose({ volumeML, gPerML: density, gWaterPer100G: waterPercent, dropletsML }, chosen)
    return [taking('drying agent', 2 * firstDoseG, { unit: 'g', which: agent, from: 'plan' })]
  },
  report: (context, filled) => {
    const { lab, table, step } = context
    const groups = dissolvedHere(context).flatMap(({ groups }) => groups ?? [])
    const judged = agentsFor(groups, lab.dryingAgent)
    const chosen = judged.find(({ agent }) => agent.name === filled.agent) ?? judged[0]!
    const { agent, against } = chosen
    const volumeML = filled.volumeML
    const { waterG, firstDoseG, leastG } = dryingDose(
      { volumeML, gPerML: filled.density, gWaterPer100G: filled.waterPercent, dropletsML: filled.dropletsML },
      agent,
    )
    const planned = partsUsed(step).reduce(
      (sum, { line, part }) =>
        sum +
        (table.lines.find((each) => each.line.id === line && each.substance.formula === agent.formula)?.mass?.value ?? 0) * part,
      0,
    )
    const product =
      dissolvedHere(context)
        .map(({ name }) => name)
        .join(' and ') || 'what is dissolved'
    const advice: Advice[] = [
      against
        ? {
            id: 'against',
            level: 'danger',
            words: `Not ${agent.name} for ${product}: it is of the kind “${against}”.`,
            why: agent.why,
          }
        : { id: 'agent', level: 'good', words: `${agent.name} will do for ${product}.`, why: agent.why },
      ...solidsHere(context).flatMap(({ line, substance }): Advice[] => {
        const bad = against ? undefined : speaksAgainst(substance.formula, groups)
        const hydrate = substance.formula?.includes('·') || (line.form.kind === 'solid' && line.form.water)
        return [
          ...when(
            bad !== undefined,
            'against',
            'danger',
            `Not ${substance.name} for ${product}: it is of the kind “${bad?.group}”.`,
            bad?.why,
          ),
          ...when(
            Boolean(hydrate),
            'wet-agent',
            'doubt',
            `${substance.name} has its water already and takes up little or none. Take the anhydrous salt.`,
          ),
        ]
      }),
      ...judged
        .filter((each) => each.agent !== agent)
        .slice(0, 4)
        .map((each): Advice => ({
          id: `other-${each.agent.formula}`,
          level: 'open',
          words: each.against ? `${each.agent.name}: not here (${each.against}).` : `${each.agent.name}: also possible.`,
          why: each.agent.why,
        })),
      ...when(
        planned > 0 && planned < leastG,
        'little',
        'doubt',
        `The plan’s ${writeNumber(planned, 1)} g cannot hold ${writeNumber(waterG, 2)} g of water: part the layers more sharply, or take at least ${writeNumber(leastG, 1)} g.`,
      ),
      {
        id: 'finish',
        level: 'open',
        words:
          'It is dry when some of the agent moves freely, without clumps, and the liquid is clear; if all of it cakes, add another portion. Rinse the agent with two or three small portions of dry solvent.',
      },
    ]
    return {
      facts: [
        fact('water', 'water to take up', waterG, 'g', 2, {
          how: `${writeNumber(volumeML, 0)} mL × ${filled.density} g/mL × ${filled.waterPercent} % + droplets`,
        }),
        fact('first', 'first dose, 1 g to 25 mL', firstDoseG, 'g', 1, { atBench: true }),
        fact('least', 'the least that can hold it', leastG, 'g', 2, {
          how: `${writeNumber(agent.gWaterPerG, 2)} g of water to the gram as the highest hydrate; in practice two to three times as much`,
        }),
        fact('wait', 'leave it', (agent.waitMin.low + agent.waitMin.high) / 2, 'min', 0, {
          how: `${agent.waitMin.low} to ${agent.waitMin.high} min, swirling now and then`,
          atBench: true,
        }),
      ],
      advice,
    }
  },
})
