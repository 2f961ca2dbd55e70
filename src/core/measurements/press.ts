import { marks, type Mark } from './marks'
import { entered, nothing, ofKind, type Standing } from './measurement'

/** A moment: heat on, onset of reflux, heat off, start of a hold. */
export const press = entered({
  schema: ({ object, string }) =>
    object({
      mark: string()
        .oneOf(Object.keys(marks) as Mark[])
        .required(),
    }),
  refused: ({ mark }) => `mark “${mark}”`,
  label: ({ mark }) => marks[mark],
  value: nothing,
})

/** When a step's mark was pressed (the standing press), or null. */
export const markedAt = ({ standing }: { standing: readonly Standing[] }, mark: Mark): string | null =>
  ofKind<{ mark: Mark }>(standing, 'press').findLast(({ body }) => body.mark === mark)?.at ?? null
