import type { Plan } from '../../plan/plan'
import type { ReactionTable } from '../../reaction/reactionTable'
import { aqueousStreams, type WasteStream } from '../../substance/lists'
import type { Content } from './content'
import { stepContents } from './contents'
import { isWatery } from './watery'

type Placed = NonNullable<Plan['steps'][number]['waste']>[number]

/** What goes into one waste container in a plan: from which steps, the last of them, and what. */
export interface InContainer {
  step: string
  steps: string[]
  contents: Content[]
  /** The same step by step. */
  placed: { step: string; contents: Content[] }[]
}

/** What of the contents goes where a step says; where it does not say what, that whose own stream it is. */
function goesIn({ into, what }: Placed, contents: readonly Content[]): Content[] {
  return contents.filter((content) => {
    switch (what) {
      case undefined:
        return content.substance.waste === into
      case 'all that is left':
        return true
      case 'aqueous layer':
      case 'filtrate':
      case 'mother liquor':
      case 'washings':
        return isWatery(content) || (content.substance.waste !== undefined && aqueousStreams.includes(content.substance.waste))
      case 'solid':
        return content.line.form.kind === 'solid'
      default:
        return !isWatery(content)
    }
  })
}

/** What a plan puts into each of its waste containers, with the steps that do it. */
export function placedIn(plan: Plan, table: ReactionTable): Map<WasteStream, InContainer> {
  const all = new Map<WasteStream, InContainer>()
  let there: Content[] = []
  for (const { step: id, contents, perhaps, leaves } of stepContents(plan, table)) {
    there = [...new Set([...there, ...leaves])]
    for (const placed of plan.steps.find((step) => step.id === id)!.waste ?? []) {
      const before = all.get(placed.into)
      const here = goesIn(placed, [...there, ...contents, ...perhaps])
      all.set(placed.into, {
        step: id,
        steps: [...new Set([...(before?.steps ?? []), id])],
        contents: [...new Set([...(before?.contents ?? []), ...here])],
        placed: [...(before?.placed ?? []), { step: id, contents: here }],
      })
    }
  }
  return all
}

/** What a plan charges and puts into none of its containers, reactants apart, which the reaction uses up. */
export function unplacedIn(plan: Plan, table: ReactionTable, placed: ReadonlyMap<WasteStream, InContainer>): Content[] {
  const away = new Set([...placed.values()].flatMap(({ contents }) => contents.map(({ line }) => line.id)))
  const last = new Map<string, Content>()
  for (const { contents } of stepContents(plan, table))
    for (const content of contents)
      if (content.line.role !== 'reactant' && !away.has(content.line.id)) last.set(content.line.id, content)
  return [...last.values()]
}
