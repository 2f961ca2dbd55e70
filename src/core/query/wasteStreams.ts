import { operationIn } from '../operations/registry'
import { isProduct } from '../plan/plan'
import type { WasteStream } from '../substance/lists'
import type { QueryRule } from '../operations/query'

/** Streams that must not be met by chance: a step says that they are placed. */
const named: readonly WasteStream[] = ['halogenated organic', 'heavy metal', 'oxidiser', 'peroxide former, by itself']

/** Streams that kill in the wrong bottle: the author is asked each time, and answers. */
const alwaysAsked: readonly WasteStream[] = ['cyanide, alkaline, by itself', 'quenched first, by itself']

/** A substance whose waste has a container of its own, and no waste step that names it: it would end in the nearest bottle. */
export const wasteStreams: QueryRule = (plan) => {
  const disposal = plan.steps.filter((step) => operationIn(step)?.place === 'waste' || (step.waste?.length ?? 0) > 0)
  if (disposal.length === 0) return []
  const placed = new Set(disposal.flatMap(({ waste }) => (waste ?? []).map(({ into }) => into)))
  return [...named, ...alwaysAsked].flatMap((stream) => {
    const lines = plan.lines.filter(
      (line) =>
        !isProduct(line) &&
        line.role !== 'component' &&
        plan.substances.find(({ id }) => id === line.substance)?.waste === stream,
    )
    if (lines.length === 0 || (named.includes(stream) && placed.has(stream))) return []
    const names = [...new Set(lines.map(({ substance }) => plan.substances.find(({ id }) => id === substance)!.name))]
    return [
      {
        id: `waste-${stream.replace(/\W+/g, '-')}`,
        about: disposal.at(-1)!.id,
        title: `Where does the ${stream} waste go?`,
        evidence: `${names.join(' and ')} ${names.length === 1 ? 'goes' : 'go'} into a container of ${names.length === 1 ? 'its' : 'their'} own, and ${named.includes(stream) ? `“${disposal.at(-1)!.title}” does not name it` : 'only you can say which'}. Oxidisers, acids and solvents never meet in one container.`,
      },
    ]
  })
}
