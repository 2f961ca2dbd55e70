import type { Vessel } from '../../plan/plan'
import type { Figure } from './figures'
import { isOfVessel } from './portions'
import type { Span } from './span'

/** A vessel with its size, as the text names it. */
export interface NamedVessel extends Span {
  kind: Vessel['kind']
  sizeML: number
}

const kinds: readonly [RegExp, Vessel['kind']][] = [
  [/separat|dropping funnel(?! )/i, 'separating funnel'],
  [/round|pear|neck|rb\b|rbf|distill|boiling flask/i, 'round-bottom'],
  [/conical|erlenmeyer/i, 'conical'],
  [/vial|test tube/i, 'vial'],
  [/^[\s-]*(?:dry |clean |reaction |small )*flask/i, 'round-bottom'],
]

/** The vessels of a text that hold the work: beakers and measuring glass are none. */
export const vesselsIn = (plain: string, figures: readonly Figure[]): NamedVessel[] =>
  figures.flatMap((figure): NamedVessel[] => {
    if (!isOfVessel(plain, figure)) return []
    const behind = plain.slice(figure.to, figure.to + 40).split(/[,.;(]/)[0]!
    if (
      /dropping|addition|measuring|volumetric|filter|suction|beaker|pipette|cylinder|syringe|burette/i.test(
        behind.split(/\b(?:with|and|fitted)\b/)[0]!,
      )
    )
      return []
    const kind = kinds.find(([pattern]) => pattern.test(behind))?.[1]
    const noun = /(?:flask|funnel|vial|tube|Erlenmeyer|RBF)s?\b/i.exec(behind)
    return kind
      ? [{ from: figure.from, to: figure.to + (noun ? noun.index + noun[0].length : 0), kind, sizeML: figure.high }]
      : []
  })
