import { uncapital } from '@/core/words/capital'
import { useMemo, type ReactNode } from 'react'
import type { Plan } from '@/core/plan/plan'
import type { queriesOf } from '@/core/query/queries'
import { State } from '../figures/State'
import type { MarginNote } from '../page/Margin'
import { QueryNote } from './QueryNote'

interface Asked {
  plan: Plan
  queries: ReturnType<typeof queriesOf>
  readOnly: boolean
  change: (plan: Plan, label: string) => void
  /** What stands beside the figure where the cursor is. */
  beside: { about: string; node: ReactNode } | undefined
}

/** The margin of a plan: queries with their remedies and the cautions of its substances. */
export function useMarginNotes({ plan, queries, readOnly, change, beside }: Asked): MarginNote[] {
  const standing = useMemo(
    () => [
      ...queries.map((query): MarginNote => ({
        key: query.id,
        about: query.about,
        node: (
          <QueryNote
            query={query}
            readOnly={readOnly}
            onRemedy={() => change(query.remedy!.apply(plan), uncapital(query.remedy!.label))}
            onAnswer={(reason) =>
              change(
                {
                  ...plan,
                  answers: [
                    ...plan.answers.filter((answer) => answer.query !== query.id),
                    ...(reason === null ? [] : [{ query: query.id, reason }]),
                  ],
                },
                reason === null ? `answer to “${query.title}” taken back` : `answer to “${query.title}”`,
              )
            }
          />
        ),
      })),
      ...cautionNotes(plan),
    ],
    [plan, queries, readOnly, change],
  )
  return useMemo(() => (beside ? [{ key: 'working', inView: true, ...beside }, ...standing] : standing), [beside, standing])
}

function cautionNotes(plan: Plan): MarginNote[] {
  const cautioned = new Set<string>()
  const notes = plan.lines.flatMap((line): MarginNote[] => {
    const substance = plan.substances.find(({ id }) => id === line.substance)
    if (!substance?.caution || cautioned.has(substance.id) || line.role === 'by-product') return []
    cautioned.add(substance.id)
    return [
      {
        key: `caution-${substance.id}`,
        about: line.id,
        node: (
          // On paper each caution stands with its line.
          <div className="no-print">
            <h3>
              <State level="danger">{substance.name}</State>
            </h3>
            <p>{substance.caution}</p>
          </div>
        ),
      },
    ]
  })
  if (notes.length === 0) return []
  return [
    ...notes,
    {
      key: 'deference',
      about: plan.lines.at(-1)!.id,
      node: (
        <p className="quiet">
          These cautions are advice for a supervised laboratory. The supplier’s safety data sheet, your local rules and the
          qualified person in charge decide.
        </p>
      ),
    },
  ]
}
