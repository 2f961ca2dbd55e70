import { isCharged, type Form } from '../plan/plan'
import { writeNumber } from '../quantity/write'
import { chargedLines } from '../reaction/reactionTable'
import { inWaterOnly } from '../reaction/strength'
import { mostInWater, mostMolPerL, solutionDensity } from '../substance/solutionDensity'
import type { Query, QueryRule } from '../operations/query'

/** Salts and acids that usually come with water of crystallisation, and with how much (CRC Handbook, physical constants of inorganic compounds). */
const oftenHydrated: Readonly<Record<string, number>> = {
  CuSO4: 5,
  FeCl3: 6,
  SnCl2: 2,
  BaCl2: 2,
  Na2S2O3: 5,
  C2H2O4: 2,
  C2H3NaO2: 3,
}

/** The strength of a solution or the water of a hydrate that was forgotten, or a density that is another bottle's. */
export const bottleStrength: QueryRule = (_plan, table) =>
  chargedLines(table).flatMap(({ line, substance }): Query[] => {
    const { form } = line
    const formula = substance.formula ?? ''
    const about = line.id
    if (!isCharged(line)) return []
    if ((form.kind === 'solid' || form.kind === 'neat') && inWaterOnly.has(formula))
      return [
        {
          id: `strength-${about}`,
          about,
          title: `How strong is the ${substance.name}?`,
          evidence: `The line takes it as pure, and it comes as a solution in water. Open the line and say mol/L, % w/w or % w/v as on the label: the amount can be wrong threefold.`,
        },
      ]
    const unsaid =
      (form.kind === 'solution' && form.molPerL === undefined) ||
      (form.kind === 'mass-volume' && form.gPer100ML === undefined) ||
      (form.kind === 'mass-fraction' && (form.fraction === undefined || form.gPerML === undefined))
    if (unsaid)
      return [
        {
          id: `strength-${about}`,
          about,
          title: `How strong is the ${substance.name}?`,
          evidence: `The line takes it as a solution, and ${form.kind === 'mass-fraction' && form.fraction !== undefined ? 'its density' : 'its strength'} is not said: without it nobody knows how much of it that is. Open the line and write what stands on the label.`,
        },
      ]
    const strong = tooStrong(formula, form)
    if (strong)
      return [
        {
          id: `too-strong-${about}`,
          about,
          title: `Is the ${substance.name} really so strong?`,
          evidence: `The line takes ${strong.said}, and water holds no more than ${strong.most}. Look at the label: % w/w, % w/v and mol/L are easily mistaken for each other.`,
        },
      ]
    const water = oftenHydrated[formula]
    if (form.kind === 'solid' && !form.water && water && line.role !== 'work-up')
      return [
        {
          id: `hydrate-${about}`,
          about,
          title: `Is the ${substance.name} a hydrate?`,
          evidence: `It usually stands on the shelf with ${water} molecules of water, and the line takes it without. Look at the label.`,
          remedy: {
            label: `It is the ${water}-hydrate`,
            apply: (plan) => ({
              ...plan,
              lines: plan.lines.map((other) => (other.id === about ? { ...other, form: { ...form, water } } : other)),
            }),
          },
        },
      ]
    if (
      form.kind === 'mass-fraction' &&
      form.fraction !== undefined &&
      form.gPerML !== undefined &&
      substance.density &&
      form.fraction < 0.95
    ) {
      const off = Math.abs(form.gPerML / substance.density.gPerML - 1)
      if (off < 0.002)
        return [
          {
            id: `density-${about}`,
            about,
            title: `Whose density is ${writeNumber(form.gPerML, 3)} g/mL?`,
            evidence: `It is that of pure ${substance.name}, and the bottle holds ${writeNumber(100 * form.fraction, 0)} %. Take the density of the solution from its label.`,
          },
        ]
    }
    const table = form.kind === 'mass-fraction' ? unlike(formula, form.fraction, form.gPerML) : null
    if (table !== null && form.kind === 'mass-fraction')
      return [
        {
          id: `density-${about}`,
          about,
          title: `Does ${writeNumber(form.gPerML!, 3)} g/mL fit ${writeNumber(100 * form.fraction!, 0)} %?`,
          evidence: `A solution of ${writeNumber(100 * form.fraction!, 0)} % ${substance.name} in water weighs ${writeNumber(table, 3)} g/mL at 20 °C. Either the strength or the density is another bottle’s: look at the label.`,
          remedy: {
            label: `It weighs ${writeNumber(table, 3)} g/mL`,
            apply: (plan) => ({
              ...plan,
              lines: plan.lines.map((other) =>
                other.id === about
                  ? { ...other, form: { ...form, gPerML: Number(table.toFixed(3)), source: 'table of densities' } }
                  : other,
              ),
            }),
          },
        },
      ]
    return []
  })

/** A strength that no solution has; undefined where it may be, and where no table says it. */
function tooStrong(formula: string, form: Form): { said: string; most: string } | undefined {
  if ('solvent' in form && form.solvent !== undefined) return undefined
  const [fraction, molPerL] = [mostInWater(formula), mostMolPerL(formula)]
  if (form.kind === 'mass-fraction' && form.fraction !== undefined && fraction !== null && form.fraction > fraction)
    return { said: `${writeNumber(100 * form.fraction, 0)} %`, most: `${writeNumber(100 * fraction, 0)} % of it` }
  if (form.kind === 'solution' && form.molPerL !== undefined && molPerL !== null && form.molPerL > molPerL)
    return { said: `${writeNumber(form.molPerL, 1)} mol/L`, most: `${writeNumber(molPerL, 0)} mol/L of it` }
  return undefined
}

/** A density may be off by so much, for temperature and rounding. Judgement. */
const mayBeOff = 0.02

/** What the table has where a density does not fit its strength; null where it does, and where no table says it. */
function unlike(formula: string, fraction: number | undefined, gPerML: number | undefined): number | null {
  if (fraction === undefined || gPerML === undefined) return null
  const table = solutionDensity(formula, fraction)
  return table !== null && Math.abs(gPerML / table - 1) > mayBeOff ? table : null
}
