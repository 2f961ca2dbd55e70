import { operationOf } from '../plan/operations'
import { isProduct } from '../plan/plan'
import type { WasteStream } from '../substance/record'
import type { QueryRule } from './query'

/** Streams that must not be met by chance, and the words by which a step names them. */
const named: Partial<Record<WasteStream, RegExp>> = {
  'halogenated organic': /halogen/i,
  'heavy metal': /metal|zinc|copper|chromium|silver|solid waste/i,
  oxidiser: /oxidis|nitric|acid (filtrate|waste)|quench|thiosulfate|bisulfite/i,
}

/** Streams that kill in the wrong bottle: no words of a step are trusted to have placed them, so the author is asked and answers. */
const alwaysAsked: readonly WasteStream[] = ['cyanide, alkaline, by itself', 'quenched first, by itself']

const asked: readonly [WasteStream, RegExp | null][] = [
  ...(Object.entries(named) as [WasteStream, RegExp][]),
  ...alwaysAsked.map((stream): [WasteStream, null] => [stream, null]),
]

/** A substance whose waste has a container of its own, and no waste step that names it: it would end in the nearest bottle. */
export const wasteStreams: QueryRule = (plan) => {
  const disposal = plan.steps.filter((step) => operationOf(step) === 'dispose' || /waste/i.test(step.text))
  if (disposal.length === 0) return []
  const words = disposal.map(({ text }) => text).join(' ')
  return asked.flatMap(([stream, pattern]) => {
    const lines = plan.lines.filter(
      (line) =>
        !isProduct(line) &&
        line.role !== 'component' &&
        plan.substances.find(({ id }) => id === line.substance)?.waste === stream,
    )
    if (lines.length === 0 || pattern?.test(words)) return []
    const names = [...new Set(lines.map(({ substance }) => plan.substances.find(({ id }) => id === substance)!.name))]
    return [
      {
        id: `waste-${stream.replace(/\W+/g, '-')}`,
        about: disposal.at(-1)!.id,
        title: `Where does the ${stream} waste go?`,
        evidence: `${names.join(' and ')} ${names.length === 1 ? 'goes' : 'go'} into a container of ${names.length === 1 ? 'its' : 'their'} own, and ${pattern ? `“${disposal.at(-1)!.title}” does not name it` : 'only you can say which'}. Oxidisers, acids and solvents never meet in one container.`,
      },
    ]
  })
}
