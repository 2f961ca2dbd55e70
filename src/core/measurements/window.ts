import { entered } from './measurement'

/** The window of a fraction as the group widened it; the entry's reason says why. */
export const window = entered({
  schema: ({ object, finite }) =>
    object({
      lowC: finite.min(-100).max(500),
      highC: finite
        .min(-100)
        .max(500)
        .test('above-low', 'the window ends above where it begins', function (value) {
          return value > (this.parent as { lowC: number }).lowC
        }),
    }),
  needsReason: 'a wider window needs a reason',
  refused: 'window of a fraction',
  label: () => 'Window widened',
  value: ({ lowC, highC }, reason) => `${lowC}–${highC} °C: ${reason ?? ''}`,
})
