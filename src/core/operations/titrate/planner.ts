import { fact, planner, unknown, usual, when } from '../planner'
import { blank } from '../fields'
import { agreeML, concordant, mean } from './titres'

const fields = [
  blank('molPerL', 'strength of the titrant, mol/L', 'mol/L', 0, 30, 'a strength that is not said'),
  blank('aliquotML', 'titrated each time', 'mL', 0, 1000, 'a volume that is not said'),
  blank('perMol', 'moles found for one of titrant', '', 0, 100, 'a ratio that is not said'),
] as const

/** Titrating: from the titres that agree, the strength of what was titrated, c = c(titrant) × V(titrant) × ratio ÷ V(aliquot). */
export const titrating = planner({
  of: 'titrate',
  title: 'Titrating',
  sentences: (say) => [
    say`Titrate ${'aliquotML'} with the titrant of ${'molPerL'}; one mole of it finds ${'perMol'} of what is looked for.`,
  ],
  fields,
  suggest: () => ({
    molPerL: unknown(0, 'nobody has said how strong it is'),
    aliquotML: unknown(0, 'nobody has said how much is titrated'),
    perMol: usual(1, 'one to one'),
  }),
  report: ({ step, measured }, { molPerL, aliquotML, perMol }) => {
    const titres = measured?.titresML?.[step.id] ?? []
    const agreeing = concordant(titres)
    const known = agreeing && molPerL > 0 && aliquotML > 0
    return {
      facts: agreeing
        ? [
            fact('titre', 'mean titre', mean(agreeing), 'mL', 2, {
              how: `of ${agreeing.length} that agree within ${agreeML} mL`,
              atBench: true,
            }),
            ...(known
              ? [
                  fact('found', 'strength found', (molPerL * mean(agreeing) * perMol) / aliquotML, 'mol/L', 4, {
                    how: `${molPerL} mol/L × ${mean(agreeing).toFixed(2)} mL × ${perMol} ÷ ${aliquotML} mL`,
                    atBench: true,
                  }),
                ]
              : []),
          ]
        : [],
      advice: when(
        titres.length > 1 && !agreeing,
        'apart',
        'doubt',
        `No two titres agree within ${agreeML} mL: titrate once more.`,
      ),
    }
  },
})
