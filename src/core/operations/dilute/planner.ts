import { fact, planner, unknown, when } from '../planner'
import { blank } from '../fields'

const fields = [
  blank('fromMolPerL', 'strength before', 'mol/L', 0, 30, 'a strength that is not said'),
  blank('toMolPerL', 'strength after', 'mol/L', 0, 30, 'a strength that is not said'),
  blank('toML', 'how much is wanted', 'mL', 0, 100_000, 'a volume that is not said'),
] as const

/** Diluting: what to take, V₁ = c₂ V₂ ÷ c₁. */
export const diluting = planner({
  of: 'dilute',
  title: 'Diluting',
  sentences: (say) => [say`From ${'fromMolPerL'} to ${'toML'} of ${'toMolPerL'}.`],
  fields,
  suggest: () => ({
    fromMolPerL: unknown(0, 'nobody has said how strong it is'),
    toMolPerL: unknown(0, 'nobody has said how strong it shall be'),
    toML: unknown(0, 'nobody has said how much is wanted'),
  }),
  report: (_context, { fromMolPerL, toMolPerL, toML }) => {
    const takeML = (toMolPerL * toML) / fromMolPerL
    const weaker = toMolPerL > 0 && toMolPerL < fromMolPerL
    return {
      facts:
        weaker && toML > 0
          ? [
              fact('take', 'take', takeML, 'mL', takeML < 10 ? 2 : 1, {
                how: `${toMolPerL} mol/L × ${toML} mL ÷ ${fromMolPerL} mol/L`,
                atBench: true,
              }),
            ]
          : [],
      advice: when(
        fromMolPerL > 0 && toMolPerL >= fromMolPerL,
        'stronger',
        'doubt',
        `${toMolPerL} mol/L is not weaker than ${fromMolPerL} mol/L: it is not reached by diluting.`,
      ),
    }
  },
})
