import { densityOf, type Plan } from '../plan/plan'
import { computedLine, type ComputedLine, type ReactionTable } from '../reaction/reactionTable'
import { solutionSolvents } from '../substance/solutionSolvents'
import { sameStructure } from '../substance/structure'
import type { Draw } from './span'
import { massOf, together, type Holding, type Origin } from './state'
import { isWater, thingOf, water, type Thing } from './thing'
import type { Things } from './things'

/** What comes out of a bottle: by its state. */
export interface Charged {
  liquid: Holding[]
  solid: Holding[]
}

const nothing: Charged = { liquid: [], solid: [] }

const holding = (thing: Thing, amount: number | null, from: Origin): Holding => ({ thing, amount, from: [from], certain: true })

/** Solvents of solutions that stand in no plan, each one thing. */
const solvents = new Map<string, Thing>()

/** The liquid that a solution is made in: water, or the solvent of its form; of the plan where the plan knows it. */
function solventOf(plan: Plan, things: Things, { form }: ComputedLine['line']): { thing: Thing; gPerML: number } {
  const name = 'solvent' in form ? form.solvent : undefined
  if (name === undefined) return { thing: water, gPerML: 1 }
  const { smiles, formula, gPerML, groups, boilsC } = solutionSolvents[name]
  const own = plan.substances.find((each) => sameStructure(each.smiles, smiles))
  if (own) return { thing: things.of(own), gPerML }
  const source = 'CRC Handbook of Chemistry and Physics; not compared with it'
  const made =
    solvents.get(name) ??
    thingOf(
      {
        ...{ id: `solvent ${name}`, name, formula, smiles, groups: [...groups] },
        density: { gPerML, source },
        boiling: { lowC: boilsC, highC: boilsC, source },
      },
      false,
    )
  solvents.set(name, made)
  return { thing: made, gPerML }
}

/** The rest of a liquid alcohol that is not pure is water: it is sold as its azeotrope. */
const soldWithWater = (thing: Thing) => sameStructure(thing.substance.smiles, 'CCO')

/** What a part of a line brings into a vessel: substance and solvent, water of crystallisation, the components of a material, and what else an impure substance holds. Amounts that follow from a strength or a density nobody has said are unknown. */
export function chargedOf(plan: Plan, table: ReactionTable, things: Things, id: string, part: number, draw: Draw): Charged {
  const line = computedLine(table, id)
  const { form } = line.line
  const from: Origin = `line ${id}`
  const thing = things.of(line.substance)
  const scaled = (figure: ComputedLine['mass']) => (figure ? figure.value * part : null)
  const [grams, mL] = [scaled(line.mass), scaled(line.volume)]
  // The density of water is known, whatever its record says.
  const mmol = scaled(line.amount) ?? (isWater(thing) && mL !== null ? (mL * water.substance.density!.gPerML) / water.gPer : null)
  if (thing.atoms === null) return material(plan, table, things, line, grams ?? volumeAsGrams(plan, line, mL), part, draw)
  const held = sharesOf(table, things, line, part, from)
  switch (form.kind) {
    case 'solid': {
      const bound = form.water ? [holding(water, mmol === null ? null : mmol * form.water, from)] : []
      const own = besides(holding(thing, mmol, from), [...bound, ...held], grams)
      const rest = restOf(things, line, grams, [own, ...bound, ...held], from)
      return isWater(thing)
        ? { liquid: [own, ...held, ...rest], solid: [] }
        : { liquid: [], solid: [own, ...bound, ...held, ...rest] }
    }
    case 'neat': {
      const own = besides(holding(thing, mmol, from), held, grams)
      if (held.length > 0) return { ...nothing, liquid: [own, ...held, ...restOf(things, line, grams, [own, ...held], from)] }
      const rest = restOf(things, line, grams, [own], from)
      const asWater = soldWithWater(thing) && rest.length > 0
      return {
        liquid: [
          own,
          ...(asWater ? [holding(water, rest[0]!.amount === null ? null : rest[0]!.amount / water.gPer, from)] : rest),
        ],
        solid: [],
      }
    }
    default: {
      const solvent = solventOf(plan, things, line.line)
      const solute = holding(thing, mmol, from)
      const all = grams ?? (mL === null ? null : mL * solvent.gPerML)
      const left = all === null ? null : Math.max(0, all - (mmol === null ? 0 : mmol * thing.gPer))
      return {
        liquid: together([solute], [holding(solvent.thing, left === null ? null : left / solvent.thing.gPer, from)]),
        solid: [],
      }
    }
  }
}

const volumeAsGrams = (plan: Plan, { line }: ComputedLine, mL: number | null) => {
  const density = densityOf(plan, line)
  return mL === null || !density ? null : mL * density.gPerML
}

/** What is weighed beyond the substance itself. */
function restOf(
  things: Things,
  { substance }: ComputedLine,
  grams: number | null,
  own: readonly Holding[],
  from: Origin,
): Holding[] {
  const counted = massOf(own)
  if (grams === null || counted === null) return []
  const rest = grams - counted
  return rest > 1e-9 ? [holding(things.restOf(substance), rest, from)] : []
}

/** What a line holds by the shares of its components. */
const sharesOf = (
  table: ReactionTable,
  things: Things,
  { line }: Pick<ComputedLine, 'line'>,
  part: number,
  from: Origin,
): Holding[] =>
  table.lines
    .filter((each) => each.line.anchor?.of === 'share' && each.line.anchor.line === line.id)
    .map((each) => holding(things.of(each.substance), each.amount ? each.amount.value * part : null, from))

/** A substance beside what else its line holds: together they weigh no more than the line. */
function besides(own: Holding, held: readonly Holding[], grams: number | null): Holding {
  const all = massOf([own, ...held])
  const over = grams === null || all === null ? 0 : Math.max(0, all - grams)
  return own.amount === null || over === 0 ? own : { ...own, amount: Math.max(0, own.amount - over / own.thing.gPer) }
}

/** A careful group gets at least two thirds of what a material holds; judgement. */
const getsAtLeast = 1.5

/** A material: its components, and the rest in grams. A liquid one stays a liquid. */
function material(
  plan: Plan,
  table: ReactionTable,
  things: Things,
  { line, substance }: ComputedLine,
  grams: number | null,
  part: number,
  draw: Draw,
): Charged {
  const from: Origin = `line ${line.id}`
  const held = sharesOf(table, things, { line }, part, from)
  // What the plan names without saying how much of it there is: at least what its author expects to get of it.
  const named = table.lines
    .filter((each) => each.line.role === 'component' && each.line.anchor === null)
    .map((each) => {
      const expected = plan.recoveries?.find(({ product, of }) => product === each.line.id && of === line.id)?.expected
      const thing = things.of(each.substance)
      if (!expected || grams === null) return holding(thing, null, from)
      const share = draw(`held ${each.line.id}`, {
        low: expected.low,
        likely: expected.high,
        high: Math.min(1, expected.high * getsAtLeast),
      })
      return holding(thing, (grams * share) / thing.gPer, from)
    })
  // A liquid of which no part is named is one liquid: petroleum ether, an oil.
  if (line.form.kind === 'neat' && held.length + named.length === 0) {
    const thing = things.of(substance)
    return { ...nothing, liquid: [holding(thing, grams === null ? null : grams / thing.gPer, from)] }
  }
  const mass = massOf([...held, ...named])
  const rest = grams === null || mass === null ? null : Math.max(0, grams - mass)
  const all = [...held, ...named, ...(rest === 0 ? [] : [holding(things.restOf(substance), rest, from)])]
  if (line.form.kind === 'neat') return { ...nothing, liquid: all }
  // Moisture is a liquid that clings.
  return { liquid: all.filter(({ thing }) => isWater(thing)), solid: all.filter(({ thing }) => !isWater(thing)) }
}
