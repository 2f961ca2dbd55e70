import { deviceOf, devices, uncertaintyOf } from '../../quantity/device'
import { writeNumber } from '../../quantity/write'
import { heldById, nameOfHeld } from '../../substance/heldById'
import { molarMass } from '../../substance/molarMass'
import { fact, planner, unknown, usual, when, type Context } from '../planner'
import { blank, substanceNamed, oneOf, type Blanks } from '../fields'
import { ofStandard, ofTitrant, ofTitrated, titreKnown, volumeKnown, type Known } from './strengthFound'
import { agreeML, concordant } from '../../measurements/concordant'

const balances = devices.filter(({ measures }) => measures === 'mass')

const fields = [
  oneOf('finds', 'what is looked for', [
    ['titrated', 'what is titrated'],
    ['titrant', 'the titrant itself'],
  ]),
  blank('molPerL', 'strength of the titrant, mol/L', 'mol/L', 0, 30, 'a strength that is not said'),
  blank('titrantPercent', 'known to within', '%', 0, 50, 'an unsaid share'),
  substanceNamed('standard', 'primary standard'),
  blank('standardG', 'weighed', 'g', 0, 1000, 'a mass that is not said'),
  oneOf(
    'balance',
    'on',
    balances.map(({ id, name }) => [id, `the ${name}`] as const),
  ),
  blank('standardPercent', 'purity', '%', 50, 100),
  blank('flaskML', 'made up to', 'mL', 0, 10_000, 'a volume that is not said'),
  blank('aliquotML', 'titrated each time', 'mL', 0, 1000, 'a volume that is not said'),
  blank('toleranceML', 'glass good to', 'mL', 0, 10),
  blank('perMol', 'moles found for one of titrant', '', 0, 100, 'a ratio that is not said'),
] as const

type TitrateBlanks = Blanks<typeof fields>

/** Half of what a purity may lie below a hundred, as that of a bottle is said: ± 0.05 %. */
const purityU = 0.0005 / Math.sqrt(3)

/** The strength of the primary standard; null where something of it is not said. */
function standardOf({ plan }: Context, { standard, standardG, balance, standardPercent, flaskML, toleranceML }: TitrateBlanks) {
  const formula = heldById(plan.substances, standard)?.formula
  if (formula === undefined || !(standardG > 0 && flaskML > 0)) return null
  return ofStandard(
    { value: standardG, u: uncertaintyOf(deviceOf(balance) ?? balances[0]!, 2) },
    { value: standardPercent / 100, u: purityU },
    volumeKnown(flaskML, toleranceML),
    molarMass(formula),
  )
}

/** The strength that the titres find, with its working; null while something of it is not known. */
function strengthFrom(
  context: Context,
  filled: TitrateBlanks,
  agreeing: readonly number[],
): { found: Known; how: string } | null {
  const { aliquotML, toleranceML, perMol, molPerL, titrantPercent } = filled
  if (!(aliquotML > 0 && perMol > 0)) return null
  const titre = titreKnown(agreeing)
  const aliquot = volumeKnown(aliquotML, toleranceML)
  const mL = titre.value.toFixed(2)
  if (filled.finds === 'titrant') {
    const standard = standardOf(context, filled)
    if (!standard || titre.value <= 0) return null
    return {
      found: ofTitrant(standard, titre, aliquot, perMol),
      how: `${writeNumber(standard.value, 5)} mol/L of ${nameOfHeld(context.plan.substances, filled.standard)} × ${aliquotML} mL ÷ (${mL} mL × ${perMol})`,
    }
  }
  if (!(molPerL > 0)) return null
  return {
    found: ofTitrated({ value: molPerL, u: (molPerL * titrantPercent) / 100 / 2 }, titre, aliquot, perMol),
    how: `${molPerL} mol/L × ${mL} mL × ${perMol} ÷ ${aliquotML} mL`,
  }
}

/** Titrating: from the titres that agree, the strength of what was titrated, or that of the titrant against a primary standard, with its uncertainty. */
export const titrating = planner({
  of: 'titrate',
  title: 'Titrating',
  sentences: (say, { finds }) => [
    say`Titrate ${'aliquotML'} each time, ${'toleranceML'}; one mole of titrant finds ${'perMol'} of what it meets. Looked for is ${'finds'}.`,
    ...(finds === 'titrant'
      ? [
          say`Titrated is ${'standard'}, ${'standardG'} on ${'balance'}, of ${'standardPercent'}, dissolved and made up to ${'flaskML'}.`,
        ]
      : [say`The titrant is of ${'molPerL'}, ${'titrantPercent'} of it.`]),
  ],
  fields,
  suggest: () => ({
    finds: usual('titrated' as const, 'most titrations'),
    molPerL: unknown(0, 'nobody has said how strong it is'),
    titrantPercent: unknown(0, 'nobody has said how well it is known'),
    standard: unknown('', 'nobody has said against what'),
    standardG: unknown(0, 'nobody has said how much was weighed'),
    balance: usual('balance-0.001', 'the balance of most laboratories'),
    standardPercent: usual(100, 'taken as pure'),
    flaskML: unknown(0, 'nobody has said how large the flask is'),
    aliquotML: unknown(0, 'nobody has said how much is titrated'),
    toleranceML: usual(0.05, 'a pipette or a flask of an ordinary laboratory'),
    perMol: usual(1, 'one to one'),
  }),
  report: (context, filled) => {
    const titres = context.measured?.titresML?.[context.step.id] ?? []
    const agreeing = concordant(titres)
    const known = agreeing && strengthFrom(context, filled, agreeing)
    const standard = filled.finds === 'titrant' ? standardOf(context, filled) : null
    return {
      facts: [
        ...(standard
          ? [
              fact('standard', 'strength of the standard', standard.value, 'mol/L', 5, {
                how: `1000 × ${filled.standardG} g × ${filled.standardPercent / 100} ÷ (M × ${filled.flaskML} mL), ± ${writeNumber(2 * standard.u, 5)}`,
                atBench: true,
              }),
            ]
          : []),
        ...(agreeing
          ? [
              fact('titre', 'mean titre', titreKnown(agreeing).value, 'mL', 2, {
                how: `of ${agreeing.length} that agree within ${agreeML} mL`,
                atBench: true,
              }),
            ]
          : []),
        ...(known
          ? [
              fact('found', 'strength found', known.found.value, 'mol/L', 4, { how: known.how, atBench: true }),
              fact('found-u', '± (k = 2)', 2 * known.found.u, 'mol/L', 4, {
                how: 'burette, pipette, flask, weighing and purity together; what the titrant itself is worth only where it is said',
                atBench: true,
              }),
            ]
          : []),
      ],
      advice: [
        ...when(titres.length > 1 && !agreeing, 'apart', 'doubt', `No two titres agree within ${agreeML} mL: titrate once more.`),
        ...when(
          filled.finds === 'titrant',
          'standard',
          'open',
          'A primary standard is dried, cooled in a desiccator and weighed by difference.',
          'what is damp weighs more than it holds',
        ),
      ],
    }
  },
})
