import { crudeSample, densityOf, isReactant, lineOf, mainResult, productSample, substanceOf } from '../../plan/plan'
import { writeNumber } from '../../quantity/write'
import { computedLine, theoreticalYield, waterIn, type ComputedLine } from '../../reaction/reactionTable'
import type { RunState } from '../../run/foldRun'
import type { BaseResults } from '../baseResults'
import { significant } from './significant'

/** What a group worked out by itself at the end of its run. */
export interface Worked {
  amounts: readonly { line: string; mmol: number }[]
  /** The line that sets the limit. */
  limiting?: string | undefined
  theoreticalG?: number | undefined
  percent?: number | undefined
}

/** One figure of theirs beside what their own readings give, and where it went wrong. */
export interface Checked {
  field: 'amount' | 'limiting' | 'theory' | 'percent'
  /** What it is of, in words. */
  of: string
  typed: string
  right: string
  ok: boolean
  /** Right for the figures that the group had worked out before it, which were not. */
  follows: boolean
  /** Where it went wrong; null where it did not, and where nobody can tell. */
  slip: string | null
  /** How it is worked out, with the numbers of the group. */
  working: string
}

/** Figures of a group's own that are this near, relative, are right: they round on the way. */
export const near = 0.01

/** A value that comes out of a known mistake. */
interface Slip {
  value: number
  words: string
}

const isNear = (typed: number, value: number) => Math.abs(typed - value) <= near * Math.abs(value) + 1e-12

const slipOf = (typed: number, slips: readonly Slip[]) =>
  slips.find(({ value }) => value !== 0 && isNear(typed, value))?.words ?? null

/** A factor of a power of ten between a figure and what it should be: a unit, or the point. */
function powerOfTen(right: number): Slip[] {
  return [1000, 0.001, 10, 0.1, 100, 0.01, 1e6, 1e-6].map((factor) => ({
    value: right * factor,
    words:
      factor === 1000 || factor === 0.001
        ? `It is ${factor > 1 ? '1000 times too large' : 'a thousandth'}: mol for mmol, or g for mg.`
        : `It is off by a factor of ${factor >= 1 ? factor : `1/${Math.round(1 / factor)}`}: the unit, or the point.`,
  }))
}

/**
 * Compares what a group has worked out with what follows from its own readings, step by step; where a figure differs, the known mistakes are tried one after another and the one that gives just that figure is named. A figure that is right for a wrong one before it counts as right.
 */
export function checkArithmetic(run: RunState, base: BaseResults, worked: Worked): Checked[] {
  const reactants = base.table.lines.filter(({ line, amount }) => isReactant(line) && amount)
  const amounts = worked.amounts.flatMap(({ line, mmol }) => {
    const found = reactants.find((each) => each.line.id === line)
    return found ? [amountChecked(run, found, reactants, mmol)] : []
  })
  const theirs = new Map(worked.amounts.map(({ line, mmol }) => [line, mmol]))
  const limiting = worked.limiting === undefined ? [] : [limitingChecked(run, reactants, theirs, base, worked.limiting)]
  const theory = worked.theoreticalG === undefined ? [] : theoryChecked(run, base, reactants, worked, worked.theoreticalG)
  const percent = worked.percent === undefined ? [] : percentChecked(run, base, worked, worked.percent)
  return [...amounts, ...limiting, ...theory, ...percent]
}

function amountChecked(run: RunState, line: ComputedLine, reactants: readonly ComputedLine[], typed: number): Checked {
  const { plan } = run
  const right = line.amount!.value
  const { form } = line.line
  const [mass, volume, molar] = [line.mass?.value, line.volume?.value, line.molarMass]
  const purity = form.kind === 'mass-fraction' ? form.fraction : 'purity' in form ? form.purity : undefined
  const density = densityOf(plan, line.line)?.gPerML
  const planned = run.planned.lines.find((each) => each.line.id === line.line.id)?.amount?.value
  const slips: Slip[] = [
    ...powerOfTen(right),
    ...(purity !== undefined && purity < 1
      ? [
          {
            value: right / purity,
            words: `The strength of the bottle is left out: only ${writeNumber(100 * purity, 0)} % of it is ${line.substance.name}.`,
          },
        ]
      : []),
    ...(density !== undefined && volume !== undefined && molar
      ? [
          {
            value: (right * volume) / (mass ?? volume),
            words: `The volume was taken as a mass: 1 mL weighs ${writeNumber(density, 3)} g.`,
          },
        ]
      : []),
    ...(waterIn(form) > 0 && molar
      ? [{ value: (right * (molar + waterIn(form))) / molar, words: 'The water of the hydrate is left out of the molar mass.' }]
      : []),
    ...(molar
      ? [
          { value: ((mass ?? 0) * molar) / 1000, words: 'It was multiplied by the molar mass instead of divided.' },
          { value: molar / (mass ?? 1), words: 'Mass and molar mass are the wrong way round: n = m ÷ M.' },
        ]
      : []),
    ...reactants
      .filter((other) => other !== line && other.molarMass && molar)
      .map((other) => ({
        value: (right * molar!) / other.molarMass!,
        words: `That is with the molar mass of ${other.substance.name}, ${writeNumber(other.molarMass!, 2)} g/mol.`,
      })),
    ...(planned !== undefined && !isNear(planned, right)
      ? [{ value: planned, words: 'That is the plan’s amount, not what was charged.' }]
      : []),
    ...(line.line.coefficient && line.line.coefficient !== 1
      ? [
          {
            value: right / line.line.coefficient,
            words: 'It was divided by the coefficient already: the amount itself is asked for.',
          },
        ]
      : []),
  ]
  const ok = isNear(typed, right)
  return {
    field: 'amount',
    of: line.substance.name,
    typed: `${significant(typed)} mmol`,
    right: `${significant(right)} mmol`,
    ok,
    follows: false,
    slip: ok ? null : slipOf(typed, slips),
    working: amountWorking(line, purity),
  }
}

function amountWorking(
  { line: { form }, mass, volume, molarMass: molar, amount }: ComputedLine,
  purity: number | undefined,
): string {
  const result = `= ${significant(amount!.value)} mmol`
  if (form.kind === 'solution' && volume && form.molPerL !== undefined)
    return `n = V·c = ${significant(volume.value)} mL × ${significant(form.molPerL)} mmol/mL ${result}`
  if (!mass || !molar) return result
  const pure = purity !== undefined && purity < 1 ? ` × ${significant(purity)}` : ''
  const from = `${significant(mass.value)} g${pure}`
  return `n = m ÷ M = 1000 × ${from} ÷ ${writeNumber(molar + waterIn(form), 2)} g/mol ${result}`
}

function limitingChecked(
  { plan }: RunState,
  reactants: readonly ComputedLine[],
  theirs: ReadonlyMap<string, number>,
  base: BaseResults,
  typed: string,
): Checked {
  const nameOf = (id: string) => substanceOf(plan, lineOf(plan, id)).name
  const least = (of: (line: ComputedLine) => number) => [...reactants].sort((a, b) => of(a) - of(b))[0]?.line.id
  const own = (line: ComputedLine) => theirs.get(line.line.id) ?? line.amount!.value
  const ok = base.limiting.includes(typed)
  const follows = !ok && typed === least((line) => own(line) / line.line.coefficient!)
  const slip =
    typed === least(own)
      ? 'The amounts were compared without their coefficients: n ÷ ν decides.'
      : typed === least((line) => line.mass?.value ?? Infinity)
        ? 'The masses were compared: amounts decide, each over its coefficient.'
        : typed === mostOf(reactants)
          ? 'That one is in excess.'
          : null
  return {
    field: 'limiting',
    of: 'the limiting reagent',
    typed: reactants.some(({ line }) => line.id === typed) ? nameOf(typed) : typed,
    right: base.limiting.map(nameOf).join(' and '),
    ok,
    follows,
    slip: ok || follows ? null : slip,
    working: reactants
      .map(
        ({ line, substance, perCoefficient, amount }) =>
          `${substance.name}: ${significant(amount!.value)} ÷ ${line.coefficient} = ${significant(perCoefficient!.value)} mmol`,
      )
      .join('; '),
  }
}

/** The reactant of which there is most to its coefficient. */
const mostOf = (reactants: readonly ComputedLine[]) =>
  [...reactants].sort((a, b) => b.perCoefficient!.value - a.perCoefficient!.value)[0]?.line.id

function theoryChecked(
  run: RunState,
  base: BaseResults,
  reactants: readonly ComputedLine[],
  { amounts, limiting }: Worked,
  typed: number,
): Checked[] {
  const { plan } = run
  if (plan.mainProduct === undefined || !base.theoretical) return []
  const product = computedLine(base.table, plan.mainProduct)
  const [right, molar] = [base.theoretical.value, product.molarMass]
  const limit = reactants.find(({ line }) => base.limiting.includes(line.id))
  if (!molar || !limit) return []
  const [nu, nuLimit] = [product.line.coefficient ?? 1, limit.line.coefficient ?? 1]
  const own = limiting === undefined ? undefined : amounts.find(({ line }) => line === limiting)?.mmol
  const ownNu = (limiting !== undefined && reactants.find(({ line }) => line.id === limiting)?.line.coefficient) || nuLimit
  const theirsG = own === undefined ? undefined : ((own * nu) / ownNu / 1000) * molar
  const n = limit.amount!.value
  const planned = theoreticalYield(plan, run.planned)?.value
  const gram = (mmol: number, M = molar) => (mmol * M) / 1000
  const slips: Slip[] = [
    ...powerOfTen(right),
    ...(nuLimit !== nu
      ? [
          {
            value: gram(n),
            words: `The coefficients are left out: ${nuLimit} of ${limit.substance.name} make ${nu} of the product.`,
          },
          { value: gram((n * nuLimit) / nu), words: 'The coefficients are the wrong way round.' },
        ]
      : []),
    ...reactants.flatMap((other) =>
      other.molarMass
        ? [
            {
              value: gram((n * nu) / nuLimit, other.molarMass),
              words: `That is with the molar mass of ${other.substance.name}, not of the product (${writeNumber(molar, 2)} g/mol).`,
            },
          ]
        : [],
    ),
    ...reactants
      .filter((other) => !base.limiting.includes(other.line.id))
      .map((other) => ({
        value: gram((other.amount!.value * nu) / (other.line.coefficient ?? 1)),
        words: `It counts from ${other.substance.name}, which is in excess.`,
      })),
    ...(planned !== undefined && !isNear(planned, right)
      ? [{ value: planned, words: 'That is the plan’s theory: yours follows from what you charged.' }]
      : []),
    ...(limit.mass
      ? [{ value: limit.mass.value, words: 'That is the mass of the limiting reagent: go by way of its amount.' }]
      : []),
  ]
  const ok = isNear(typed, right)
  const follows = !ok && theirsG !== undefined && isNear(typed, theirsG)
  return [
    {
      field: 'theory',
      of: `theoretical yield of ${product.substance.name}`,
      typed: `${significant(typed)} g`,
      right: `${significant(right)} g`,
      ok,
      follows,
      slip: ok || follows ? null : slipOf(typed, slips),
      working: `m = n × ${nu === 1 && nuLimit === 1 ? '' : `${nu}/${nuLimit} × `}M ÷ 1000 = ${significant(n)} mmol × ${nu === 1 && nuLimit === 1 ? '' : `${nu}/${nuLimit} × `}${writeNumber(molar, 2)} g/mol ÷ 1000 = ${significant(right)} g`,
    },
  ]
}

function percentChecked(run: RunState, base: BaseResults, { theoreticalG }: Worked, typed: number): Checked[] {
  const { plan } = run
  const { result, whole } = base
  const final = mainResult(plan)?.recovery?.sample ?? productSample(plan)
  const product = run.samples[final]
  if (!result || !whole || !product) return []
  const right = 100 * result.figure.value
  const word = result.kind === 'yield' ? 'yield' : 'recovery'
  const crude = run.samples[crudeSample(plan)]
  const dried = run.steps.find(({ step }) => step.kind === 'dry' && step.sample === final)?.net?.series ?? []
  const ofWhole = (g: number) => (100 * g) / whole.value
  const planned = theoreticalYield(plan, run.planned)?.value
  const limit = computedLine(base.table, base.limiting[0] ?? plan.reference)
  const slips: Slip[] = [
    { value: right / 100, words: 'That is the fraction: a hundred times as many per cent.' },
    { value: 10_000 / right, words: 'Product and whole are the wrong way round.' },
    ...dried.slice(0, -1).map(({ massG }) => ({
      value: ofWhole(massG),
      words: `That is with the wet mass, ${significant(massG)} g: the last weighing counts.`,
    })),
    ...(crude && final !== crudeSample(plan)
      ? [
          {
            value: ofWhole(crude.mass.value),
            words: `That is with the crude mass, ${significant(crude.mass.value)} g: the purified product counts.`,
          },
          ...(base.recovery && result.kind === 'yield'
            ? [
                {
                  value: 100 * base.recovery.figure.value,
                  words: 'That is the recovery of the crystallisation, purified over crude: a yield counts from the theory.',
                },
              ]
            : []),
        ]
      : []),
    ...(limit.mass
      ? [
          {
            value: (100 * product.mass.value) / limit.mass.value,
            words: `That is product over the mass of ${limit.substance.name}: masses of different substances are not compared.`,
          },
        ]
      : []),
    ...(planned !== undefined && result.kind === 'yield'
      ? [{ value: (100 * product.mass.value) / planned, words: 'That counts from the plan’s theory, not from what you charged.' }]
      : []),
    { value: 100 - right, words: 'That is what was lost.' },
  ]
  const ok = isNear(typed, right)
  const theirs = theoreticalG === undefined || result.kind !== 'yield' ? undefined : (100 * product.mass.value) / theoreticalG
  const follows = !ok && theirs !== undefined && isNear(typed, theirs)
  return [
    {
      field: 'percent',
      of: `per cent ${word}`,
      typed: `${significant(typed)} %`,
      right: `${significant(right)} %`,
      ok,
      follows,
      slip: ok || follows ? null : slipOf(typed, slips),
      working: `100 × ${significant(product.mass.value)} g ÷ ${significant(whole.value)} g = ${significant(right)} %`,
    },
  ]
}
