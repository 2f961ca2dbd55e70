import type { Content } from '../operations/vessel/content'
import { stepContents } from '../operations/vessel/contents'
import { meetingsIn, pairName, pairsAmong } from '../operations/vessel/meetingsIn'
import { isWatery } from '../operations/vessel/watery'
import type { Plan } from '../plan/plan'
import type { ReactionTable } from '../reaction/reactionTable'
import type { WasteStream } from '../substance/lists'
import { evidenceOf } from './incompatible'
import type { Query, QueryRule } from '../operations/query'

type Placed = NonNullable<Plan['steps'][number]['waste']>[number]

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
        return isWatery(content) || content.substance.waste?.startsWith('aqueous')
      case 'solid':
        return content.line.form.kind === 'solid'
      default:
        return !isWatery(content)
    }
  })
}

/** What a plan puts into each of its waste containers, with the step that does it last. */
function containers(plan: Plan, table: ReactionTable): Map<WasteStream, { step: string; contents: Content[] }> {
  const all = new Map<WasteStream, { step: string; contents: Content[] }>()
  let there: Content[] = []
  for (const { step: id, contents, perhaps, leaves } of stepContents(plan, table)) {
    there = [...new Set([...there, ...leaves])]
    for (const placed of plan.steps.find((step) => step.id === id)!.waste ?? []) {
      const before = all.get(placed.into)?.contents ?? []
      all.set(placed.into, {
        step: id,
        contents: [...new Set([...before, ...goesIn(placed, [...there, ...contents, ...perhaps])])],
      })
    }
  }
  return all
}

/** Two things in one waste container that must not meet, or that give gas in what is closed; what has met in a vessel before has done so there. */
export const wasteMeets: QueryRule = (plan, table) => {
  const met = new Set(meetingsIn(plan, table).map(pairName))
  const asked = new Set<string>()
  return [...containers(plan, table)].flatMap(([into, { step, contents }]) =>
    pairsAmong(contents).flatMap(({ meeting, one, other }): Query[] => {
      const name = pairName({ one, other })
      if (met.has(name) || asked.has(`${into} ${name}`) || (meeting.grave === 'heed' && !meeting.gas)) return []
      asked.add(`${into} ${name}`)
      return [
        {
          id: `waste-meets-${into.replace(/\W+/g, '-')}-${name.replace(' ', '-')}`,
          about: step,
          title: `${one.substance.name} meets ${other.substance.name} in the container ${into}`,
          evidence: `${evidenceOf(meeting)} A container is closed between one group and the next. Give each its own, or destroy the one first.`,
        },
      ]
    }),
  )
}
