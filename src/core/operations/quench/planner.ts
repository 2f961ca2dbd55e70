import { adiabaticRise } from '../add/adiabaticRise'
import { heatHere } from '../vessel/heatHere'
import { pressureMmHg } from '../../lab/lab'
import { mainSubstance, type Step } from '../../plan/plan'
import { type Substance } from '../../substance/substance'
import { partsUsed } from '../../plan/partsUsed'
import { vesselNamed, type Vessel } from '../../matter/state'
import { acidIn, baseIn } from '../vessel/acidIn'
import { gasHere, litresOf } from '../vessel/gasesIn'
import { fillMLIn, stoodAt, vesselDuring } from '../vessel/stoodAt'
import { writeNumber } from '../../quantity/write'
import { baseCapacityOf, givesCarbonDioxide, protonsOf } from '../../substance/acidBase'
import { deprotonated, neutralisation, neutraliserOf, neutralisers, targetPH, unitsPast, type Neutraliser } from './neutralise'
import { fact, ofPlan, ofRecord, planner, rough, unknown, usual, when, type Advice, type Context, type Fact } from '../planner'
import { blank, named, oneOf } from '../fields'

const planned = 'what this step adds'

const fields = [
  blank('mmol', 'left to be met', 'mmol', 0, 1e6),
  oneOf('kind', 'what is left', ['acid', 'base']),
  blank('plannedML', 'volume of the neutraliser', 'mL', 0, 20_000),
  oneOf('with', 'neutraliser', [planned, ...neutralisers.map(({ name }) => name)]),
  oneOf('aim', 'aim', [
    ['none', 'stay as it is'],
    ['protonate', 'take up its proton'],
    ['deprotonate', 'lose its proton'],
  ]),
  blank('pKa', 'pKa', '', -10, 50),
  named('flask', 'flask'),
  blank('toPH', 'pH to reach', '', 0, 14, 'what the neutraliser gives'),
  blank('vesselML', 'vessel', 'mL', 1, 20_000),
] as const

/** What goes in at a step that neutralises: mmol of protons given and taken up, mL, and its name. */
function added(table: Context['table'], step: Step) {
  return partsUsed(step).flatMap(({ line: id, part }) => {
    const found = table.lines.find(({ line }) => line.id === id)
    if (!found) return []
    const mmol = (found.amount?.value ?? 0) * part
    const mL = (found.volume?.value ?? found.mass?.value ?? 0) * part
    return [
      {
        name: found.substance.name,
        mL,
        acid: mmol * protonsOf(found.substance),
        base: mmol * baseCapacityOf(found.substance),
        co2: givesCarbonDioxide(found.substance) ? 1 / baseCapacityOf(found.substance) : 0,
      },
    ]
  })
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)

/** What this step itself adds as a neutraliser; undefined where it adds neither acid nor base. */
function ownNeutraliser({ table, step }: Context): Neutraliser | undefined {
  const own = added(table, step).find(({ acid, base, mL }) => mL > 0 && (acid > 0 || base > 0))
  return (
    own && {
      name: `what this step adds, ${own.name}`,
      kind: own.acid > 0 ? 'acid' : 'base',
      mmolPerML: Math.max(own.acid, own.base) / own.mL,
      co2: own.co2,
      gPerML: 1,
      source: 'strength and volume of its line',
    }
  )
}

/** What gas asks of a vessel with so much room. */
const foams = (gasL: number | null, vesselML: number, room: number): Advice[] =>
  when(
    gasL === null || gasL > 0.05,
    'gas',
    'doubt',
    `${gasL === null ? 'Nobody can say how much' : `${writeNumber(gasL, 2)} L of`} gas comes from a ${vesselML} mL vessel with ${writeNumber(Math.max(0, room), 0)} mL free: add in portions, open, and wait for the foam to fall.`,
  )

/** The vessel that a step neutralises in, before it does: the flask that is named, else where the work stands. */
function flaskBefore(context: Context, flask: string): Vessel | undefined {
  const before = stoodAt(context)?.before
  return before && ((flask !== '' && vesselNamed(before, flask)) || vesselNamed(before, before.at))
}

/** The substance that a change of pH is for: the component, or the product, that is an acid or a base as wanted. */
function turned({ plan, table }: Context, aim: 'protonate' | 'deprotonate'): Substance | undefined {
  const components = table.lines.filter(({ line }) => line.role === 'component').map(({ substance }) => substance)
  const product = mainSubstance(plan)
  return [...components, ...(product ? [product] : [])].find(
    ({ pKa }) => pKa && (pKa.ofConjugateAcid ? 'deprotonate' : 'protonate') === aim,
  )
}

/** How hot it could become at once, where the heat of what meets here is on record and the masses are known. */
function rise(context: Context): Fact[] {
  const { heat, capacity } = heatHere(context)
  if (!heat || !capacity) return []
  const by = (kJ: number) => adiabaticRise(heat.mmol, kJ, [{ g: capacity.grams, cp: capacity.cp }])
  const { low, likely, high } = heat.kJ
  return [
    fact('rise', 'rise if no heat left it', by(likely), 'K', 0, {
      how: `${heat.says}: ${writeNumber(heat.mmol, 1)} mmol × ${writeNumber(likely, 0)} kJ/mol over ${writeNumber(capacity.grams, 0)} g; between ${writeNumber(by(low), 0)} and ${writeNumber(by(high), 0)} K`,
    }),
  ]
}

/** Quenching and neutralising: acid or base left against what meets it, the gas, and the pH to reach. */
export const quenching = planner({
  of: 'quench',
  title: 'Quenching and neutralising',
  sentences: (say) => [
    say`There are ${'mmol'} of ${'kind'} left, to meet ${'plannedML'} of ${'with'}.`,
    say`It happens in flask ${'flask'}, to pH ${'toPH'}.`,
    say`The substance that is to ${'aim'} has pKa ${'pKa'}; the vessel holds ${'vesselML'}.`,
  ],
  fields,
  suggest: (context, typed) => {
    const { plan, table, step } = context
    const during = vesselDuring(context)
    const fullML = fillMLIn(during)
    const flask = typed.flask ?? ''
    const own = ownNeutraliser(context)
    const kind = own?.kind === 'acid' ? 'base' : 'acid'
    const vessel = flaskBefore(context, flask)
    const kept = plan.mainProduct === undefined ? undefined : mainSubstance(plan)
    const left = kind === 'acid' ? acidIn(vessel, kept) : baseIn(vessel, kept)
    const aim = own ? (own.kind === 'acid' ? 'protonate' : 'deprotonate') : 'none'
    const substance = aim === 'none' ? undefined : turned(context, aim)
    return {
      mmol:
        left === null
          ? unknown(0, `an amount of what is in the flask is not known`)
          : ofPlan(rough(left), `${kind} that is in the flask by then`),
      kind: ofPlan(kind, own ? `what this step adds is ${own.kind === 'acid' ? 'an acid' : 'a base'}` : 'nothing is added here'),
      plannedML: ofPlan(
        rough(sum(added(table, step).flatMap(({ mL, acid, base }) => (acid > 0 || base > 0 ? [mL] : [])))),
        'acid and base of this step',
      ),
      with: own ? ofPlan(planned, 'it stands in this step') : usual('saturated sodium bicarbonate', 'nothing is added here'),
      aim: substance ? ofPlan(aim, `${substance.name} is to change`) : usual('none', 'nothing on record is to change'),
      pKa: substance?.pKa ? ofRecord(substance.pKa.values[0]!, `pKa of ${substance.name}`) : unknown(7, 'no pKa is on record'),
      flask: unknown('', 'nobody has said which'),
      toPH: unknown(0, 'nobody has said'),
      vesselML: during?.sizeML
        ? ofPlan(during.sizeML, `the ${during.kind ?? 'vessel'} of the plan`)
        : usual(Math.max(50, Math.ceil((fullML * 2) / 50) * 50), 'twice what is in it'),
    }
  },
  report: (context, filled) => {
    const { lab } = context
    const fullML = fillMLIn(vesselDuring(context))
    const by =
      filled.with === planned
        ? (ownNeutraliser(context) ?? neutraliserOf('saturated sodium bicarbonate'))
        : neutraliserOf(filled.with)
    const { mmol, plannedML, vesselML } = filled
    const meets = by.kind !== filled.kind
    const found = neutralisation(mmol, by, plannedML, pressureMmHg(lab))
    // What this step itself puts in gives the gas that the walk has of it; another neutraliser is only thought of.
    const gasL = filled.with === planned ? litresOf(gasHere(context)) : found.gasL
    const room = vesselML - fullML
    const aim = filled.aim
    const pKa = filled.pKa
    const pH = aim === 'none' ? null : targetPH(pKa, aim === 'protonate' ? 'protonate' : 'deprotonate')
    const advice: Advice[] = [
      by.kind === 'base' && filled.kind === 'acid' && plannedML > 0
        ? {
            id: 'order',
            level: 'danger',
            words: 'The base into the acid in portions, cold, stirring, and each only when the last has ceased to react.',
            why: 'what is put in all at once gives all of its heat and gas at once',
          }
        : {
            id: 'order',
            level: 'danger',
            words: 'Acid into water, never the reverse: cold, slowly, in portions, stirring.',
            why: 'the heat of dilution boils the first drops of water',
          },
      ...when(
        !meets,
        'same',
        'danger',
        `${by.name} is itself ${by.kind === 'acid' ? 'an acid' : 'a base'} and does not meet what is left. Choose ${by.kind === 'acid' ? 'a base' : 'an acid'}.`,
      ),
      ...when(
        meets && found.leftMmol > 0 && plannedML === 0,
        'poured',
        'open',
        `${writeNumber(mmol, 0)} mmol go into the water as they are; all of it would take ${writeNumber(found.neededML, 0)} mL of ${by.name}.`,
      ),
      ...when(
        meets && found.leftMmol > 0 && plannedML > 0,
        'short',
        'doubt',
        `${writeNumber(found.leftMmol, 0)} mmol are left: take ${writeNumber(found.neededML, 0)} mL, or something stronger, and test with paper.`,
      ),
      ...when(meets && found.leftMmol === 0 && plannedML > 0, 'enough', 'good', 'It is enough; test with paper all the same.'),
      ...foams(gasL, vesselML, room),
      ...when(
        fullML > vesselML / 2,
        'full',
        'doubt',
        `${writeNumber(fullML, 0)} mL fill more than half of it; foam needs the rest. Take a larger one.`,
      ),
    ]
    return {
      facts: [
        ...(meets
          ? [
              fact('needed', `${by.name} needed`, found.neededML, 'mL', found.neededML < 10 ? 1 : 0, {
                how: `${writeNumber(mmol, 1)} mmol ÷ ${writeNumber(by.mmolPerML, 2)} mmol/mL (${by.source})`,
                atBench: true,
              }),
              ...(gasL === null
                ? []
                : [
                    fact('gas', 'gas', gasL, 'L', 2, {
                      how:
                        filled.with === planned
                          ? 'from what meets in the flask by then'
                          : `${by.co2} mol to the mole of acid, 24.06 L/mol at 20 °C and 760 mmHg`,
                      atBench: gasL > 0.05,
                    }),
                  ]),
            ]
          : []),
        ...rise(context),
        ...(pH === null
          ? []
          : [
              fact('pH', `pH to reach, ${aim === 'protonate' ? 'or below' : 'or above'}`, pH, '', 1, {
                how: `pKa ${writeNumber(pKa, 2)} ${aim === 'protonate' ? '−' : '+'} ${unitsPast}`,
                atBench: true,
              }),
              fact(
                'turned',
                'turned there',
                100 * (aim === 'protonate' ? 1 - deprotonated(pKa, pH) : deprotonated(pKa, pH)),
                '%',
                1,
                { how: '1/(1 + 10^(pKa − pH)) has lost its proton' },
              ),
            ]),
      ],
      advice,
    }
  },
})
