import { labelOf, valueOf } from '../measurements/registry'
import { printed } from '../words/words'
import { isShown } from './entry'
import type { RunState } from './foldRun'

/** The numbers of what an instrument showed, by kind: where each stands in the body, and where its decimals. */
const numbers: Readonly<Record<string, readonly { key: string; label: string; decimals?: string }[]>> = {
  reading: [{ key: 'value', label: 'it should be', decimals: 'decimals' }],
  melting: [
    { key: 'onsetC', label: 'onset, °C' },
    { key: 'clearC', label: 'clear, °C', decimals: 'decimals' },
  ],
  boiling: [
    { key: 'lowC', label: 'from, °C' },
    { key: 'highC', label: 'to, °C', decimals: 'decimals' },
  ],
  refraction: [
    { key: 'index', label: 'index', decimals: 'decimals' },
    { key: 'atC', label: 'prism, °C' },
  ],
  head: [
    { key: 'volumeML', label: 'receiver, mL', decimals: 'volumeDecimals' },
    { key: 'headC', label: 'head, °C', decimals: 'decimals' },
  ],
  purity: [{ key: 'percent', label: 'purity, %', decimals: 'decimals' }],
}

/** Every standing reading of a run that can be put right after the day, with its numbers as they were written. */
export function correctable(run: RunState) {
  return run.steps.flatMap(({ step, earlier, standing }) =>
    [...earlier, ...standing].filter(isShown).flatMap((entry) => {
      const fields = numbers[entry.kind]
      if (!fields) return []
      const body = entry.body as unknown as Record<string, number>
      return [
        {
          id: entry.id,
          label: `${printed(step.title)}, ${labelOf(entry, step)}`,
          was: valueOf(entry),
          fields: fields.map((field) => ({ ...field, value: body[field.key]! })),
        },
      ]
    }),
  )
}
