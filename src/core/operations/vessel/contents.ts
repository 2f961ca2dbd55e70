import { operationIn } from '../registry'
import type { Content } from './content'
import { staysInLayer } from './washedOut'
import { isCharged, type Plan, type Step, type Vessel } from '../../plan/plan'
import { partsUsed } from '../../plan/partsUsed'
import type { ComputedLine, ReactionTable } from '../../reaction/reactionTable'

/** What the work goes on in while a step is done, once everything is in that the step adds. */
export interface StepContents {
  step: string
  /** The vessel, where the plan names it. */
  vessel: Vessel | undefined
  /** The step that set this vessel up. */
  since: string | undefined
  contents: Content[]
  /** Liquids by volume, solids taken at 1 mL to the gram. */
  volumeML: number
  /** What was in it before a step after which nothing is known: it may still be there, and counts where two must not meet. */
  perhaps: Content[]
  /** What leaves with this step: the water of a wash, the filtrate, what is poured away. */
  leaves: Content[]
}

/**
 * Follows what goes into which vessel, step by step. A charge, or a line named in the words of a step, goes in with the part named; a step with a vessel of its
 * own goes on in that one with what there was. What else happens to it is the effect of the operation (operation.ts); where the product alone is left, its amount is not known.
 */
export function stepContents(plan: Plan, table: ReactionTable): readonly StepContents[] {
  const known = followed.get(table)
  if (known?.plan === plan) return known.steps
  const steps = follow(plan, table)
  followed.set(table, { plan, steps })
  return steps
}

/** The last plan followed with each table: every rule that looks into a vessel asks for the same. */
const followed = new WeakMap<ReactionTable, { plan: Plan; steps: StepContents[] }>()

function follow(plan: Plan, table: ReactionTable): StepContents[] {
  let vessel: Vessel | undefined
  let since: string | undefined
  let inside: Content[] = []
  let perhaps: Content[] = []
  return plan.steps.map((step) => {
    const { moves, begins, leaves, unsaid } = operationIn(step)?.effect ?? {}
    const moved = moves === 'always' || (moves === 'into a funnel' && vessel?.kind !== 'separating funnel')
    if (step.vessel || moved) [vessel, since] = [step.vessel, step.vessel && step.id]
    if (begins === 'empty') [inside, perhaps] = [[], []]
    inside = together(inside, added(table, step))
    const during: StepContents = {
      step: step.id,
      vessel,
      since,
      contents: inside,
      volumeML: inside.reduce((sum, { volumeML, massG }) => sum + (volumeML ?? massG ?? 0), 0),
      perhaps,
      leaves: [],
    }
    if (unsaid) [inside, perhaps] = [[], together(perhaps, inside)]
    if (leaves === 'organic layer') inside = staysInLayer(inside, added(table, step))
    else if (leaves) {
      // What a filtration names is what the solid is rinsed with or dissolved in: it goes on.
      inside = leaves === 'what it names' ? added(table, step) : []
      if (!step.vessel || leaves === 'product') [vessel, since] = [undefined, undefined]
    }
    return leaves ? { ...during, leaves: during.contents.filter((content) => !inside.includes(content)) } : during
  })
}

/** Contents with others put to them; a divided charge is one content again. */
function together(inside: readonly Content[], more: readonly Content[]): Content[] {
  const sum = (a: number | null, b: number | null) => (a === null || b === null ? (a ?? b) : a + b)
  return more.reduce<Content[]>(
    (all, next) => {
      const same = all.find(({ line }) => line.id === next.line.id)
      if (!same) return [...all, next]
      const both = {
        ...same,
        massG: sum(same.massG, next.massG),
        volumeML: sum(same.volumeML, next.volumeML),
        mmol: sum(same.mmol, next.mmol),
      }
      return all.map((content) => (content === same ? both : content))
    },
    [...inside],
  )
}

function added(table: ReactionTable, step: Step): Content[] {
  return partsUsed(step).flatMap(({ line: id, part }): Content[] => {
    const found: ComputedLine | undefined = table.lines.find(({ line }) => line.id === id)
    if (!found || !isCharged(found.line)) return []
    const { line, substance, mass, volume, amount } = found
    return [
      {
        line,
        substance,
        massG: mass && mass.value * part,
        volumeML: volume && volume.value * part,
        mmol: amount && amount.value * part,
        holds: table.lines.flatMap((each): Content[] =>
          each.line.anchor?.of === 'share' && each.line.anchor.line === id
            ? [
                {
                  line: each.line,
                  substance: each.substance,
                  massG: each.mass && each.mass.value * part,
                  volumeML: null,
                  mmol: each.amount && each.amount.value * part,
                  holds: [],
                },
              ]
            : [],
        ),
      },
    ]
  })
}
