import { isCharged, lineOf, substanceOf, type Form } from '../../plan/plan'
import { partsUsed } from '../../plan/partsUsed'
import { writeNumber } from '../../quantity/write'
import { dilutionHazards } from '../../substance/dilutionHazards'
import { makeUp, molarityOf, saturationExcess, type Recipe } from '../../reaction/makeUp'
import { heldById } from '../../substance/heldById'
import { molarMass } from '../../substance/molarMass'
import type { Substance } from '../../substance/substance'
import { classesOf } from '../../reaction/reactiveClasses'
import { solubilityAt } from '../../matter/solubility'
import { blank, anySubstance, oneOf, type Blanks } from '../fields'
import { fact, ofPlan, planner, rough, unknown, usual, when, type Context } from '../planner'

const fields = [
  anySubstance('what', 'substance'),
  oneOf('strength', 'how strong', [
    ['molar', 'of a strength'],
    ['saturated', 'saturated'],
  ]),
  blank('molPerL', 'strength', 'mol/L', 0, 30, 'a strength that is not said'),
  blank('toML', 'made up to', 'mL', 0, 100_000, 'a volume that is not said'),
  oneOf('from', 'from', [
    ['solid', 'the solid'],
    ['stronger', 'a stronger solution or a liquid'],
  ]),
  blank('purity', 'purity', '%', 1, 100),
  blank('crystalWater', 'water of crystallisation', '', 0, 24),
  blank('fromMolPerL', 'strength of it', 'mol/L', 0, 60, 'a strength that is not said'),
  blank('atC', 'saturated at', '°C', -20, 150),
] as const

type MakeUpBlanks = Blanks<typeof fields>

/** The line that is made into a solution here: the first that the step uses and that is no solvent of another. */
const madeFrom = ({ plan, step }: Context) =>
  partsUsed(step)
    .map(({ line }) => lineOf(plan, line))
    .find((line) => isCharged(line) && substanceOf(plan, line).formula !== 'H2O')

/** Water's id in the Reference, by which solubilities name it. */
const waterId = 'water'

/** What is taken for the volume that is wanted; null where something of it is not said, and the reason where it cannot be made. */
function recipeOf(substance: Substance | undefined, filled: MakeUpBlanks): Recipe | { impossible: string } | null {
  const { toML, molPerL, from, atC } = filled
  if (!(toML > 0)) return null
  if (filled.strength === 'saturated') {
    const curve = substance?.solubility?.find(({ solvent }) => solvent === waterId)
    if (!curve) return null
    const gPer100ML = solubilityAt(curve.points, atC)
    return {
      take: { unit: 'g', value: (gPer100ML / 100) * toML * (1 + saturationExcess) },
      toML,
      how: `${rough(gPer100ML)} g to 100 mL of water at ${atC} °C × ${toML} mL × ${1 + saturationExcess}, so that some stays on the bottom`,
    }
  }
  const stronger: Form = { kind: 'solution', molPerL: filled.fromMolPerL }
  const solid: Form = { kind: 'solid', purity: filled.purity / 100, water: filled.crystalWater }
  if (!(molPerL > 0) || (from === 'stronger' ? !(filled.fromMolPerL > 0) : substance?.formula === undefined)) return null
  try {
    return makeUp(
      { molPerL, toML, gPerMol: substance?.formula === undefined ? NaN : molarMass(substance.formula) },
      from === 'stronger' ? stronger : solid,
    )
  } catch (error) {
    if (error instanceof RangeError) return { impossible: error.message }
    throw error
  }
}

/** Making up a solution: what to take of the solid or of something stronger, and what the label says. */
export const makingUp = planner({
  of: 'make-up',
  title: 'Making up a solution',
  sentences: (say, { strength, from }) => [
    strength === 'saturated'
      ? say`${'toML'} of ${'what'}, ${'strength'} at ${'atC'}.`
      : say`${'toML'} of ${'what'}, ${'strength'} of ${'molPerL'}, from ${'from'}.`,
    ...(strength === 'saturated'
      ? []
      : [
          from === 'solid'
            ? say`What is weighed holds ${'purity'} of it, with ${'crystalWater'} molecules of water of crystallisation.`
            : say`That is of ${'fromMolPerL'}.`,
        ]),
  ],
  fields,
  doubts: { impossible: 'That solution cannot be made so' },
  suggest: (context, typed) => {
    const line = madeFrom(context)
    const { plan } = context
    const substance = line && substanceOf(plan, line)
    const chosen = heldById(plan.substances, typed.what) ?? substance
    const form = line && substance === chosen ? line.form : undefined
    const bottle =
      form && form.kind !== 'solid' && chosen?.formula !== undefined
        ? molarityOf(form, molarMass(chosen.formula), chosen.density?.gPerML)
        : null
    return {
      what: substance ? ofPlan(substance.id, 'what goes in here') : unknown('', 'the step names nothing that goes in'),
      strength: usual('molar', 'most solutions'),
      molPerL: unknown(0, 'nobody has said how strong it shall be'),
      toML: unknown(0, 'nobody has said how much is wanted'),
      from:
        form && form.kind !== 'solid'
          ? ofPlan('stronger', 'it stands in the table as a liquid or a solution')
          : usual('solid', 'it stands in the table as a solid, or not at all'),
      purity:
        form?.kind === 'solid' ? ofPlan(rough(100 * form.purity, 4), 'the bottle of the plan') : usual(100, 'taken as pure'),
      crystalWater:
        form?.kind === 'solid' && form.water !== undefined
          ? ofPlan(form.water, 'the bottle of the plan')
          : usual(0, 'without water of crystallisation'),
      fromMolPerL:
        bottle === null ? unknown(0, 'nobody has said how strong it is') : ofPlan(rough(bottle), 'the bottle of the plan'),
      atC: usual(20, 'the room'),
    }
  },
  report: ({ plan }, filled) => {
    const substance = heldById(plan.substances, filled.what)
    const recipe = recipeOf(substance, filled)
    const made = recipe && 'take' in recipe ? recipe : null
    const classes = substance && classesOf(substance, { form: { kind: 'neat', purity: 1 } })
    // What is dilute weighs about a gram to the millilitre: the limits are far apart.
    const fraction =
      filled.strength === 'molar' && substance?.formula !== undefined
        ? (filled.molPerL * molarMass(substance.formula)) / 1000
        : null
    const codes = fraction === null || !made || !substance ? null : dilutionHazards(substance, fraction)
    return {
      facts: made
        ? [
            fact('take', 'take', made.take.value, made.take.unit, made.take.value < 10 ? 3 : 1, { how: made.how, atBench: true }),
            fact('make', 'make up to', made.toML, 'mL', 0, { atBench: true }),
          ]
        : [],
      advice: [
        ...when(
          recipe !== null && 'impossible' in recipe,
          'impossible',
          'doubt',
          recipe && 'impossible' in recipe ? recipe.impossible : '',
        ),
        ...when(
          filled.strength === 'saturated' && filled.toML > 0 && recipe === null,
          'no-solubility',
          'open',
          'How much of it water dissolves is not on record: add it until some stays on the bottom, and pour off from it.',
        ),
        ...when(
          classes?.has('strong acid') === true,
          'acid-last',
          'danger',
          'Acid into water, slowly and stirred, never water into acid; let it cool before it is filled to the mark.',
          'the heat of dilution makes water on acid boil and spit',
        ),
        ...when(
          classes?.has('strong base') === true,
          'base-heat',
          'danger',
          'It becomes hot: in portions into cold water, stirred, in heat-proof glass; let it cool before it is filled to the mark.',
        ),
        ...when(
          codes !== null && codes.length > 0,
          'label',
          'open',
          `At about ${writeNumber(100 * (fraction ?? 0), fraction !== null && fraction < 0.01 ? 1 : 0)} % its label says ${codes?.join(', ') ?? ''}.`,
          'by the concentration limits, taken as weighing a gram to the millilitre, which errs to the grave side',
        ),
      ],
    }
  },
})
