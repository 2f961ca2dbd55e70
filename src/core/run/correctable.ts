import { labelOf, valueOf } from '../measurements/registry'
import { printed } from '../words/words'
import { isShown } from './entry'
import type { RunState } from './foldRun'

/** The numbers of what an instrument showed, by kind: where each stands in the body, and where its decimals. */
const numbers: Readonly<Record<string, readonly { key: string; label: string; unit?: string; decimals?: string }[]>> = {
  reading: [{ key: 'value', label: 'it should be', decimals: 'decimals' }],
  melting: [
    { key: 'onsetC', label: 'onset', unit: '°C' },
    { key: 'clearC', label: 'clear', unit: '°C', decimals: 'decimals' },
  ],
  boiling: [
    { key: 'lowC', label: 'from', unit: '°C' },
    { key: 'highC', label: 'to', unit: '°C', decimals: 'decimals' },
  ],
  refraction: [
    { key: 'index', label: 'index', decimals: 'decimals' },
    { key: 'atC', label: 'prism', unit: '°C' },
  ],
  head: [
    { key: 'volumeML', label: 'receiver', unit: 'mL', decimals: 'volumeDecimals' },
    { key: 'headC', label: 'head', unit: '°C', decimals: 'decimals' },
  ],
  purity: [{ key: 'percent', label: 'purity', unit: '%', decimals: 'decimals' }],
}

const unitOf = (body: object): string => ('unit' in body && typeof body.unit === 'string' ? body.unit : '')

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
          fields: fields.map((field) => ({ ...field, unit: field.unit ?? unitOf(entry.body), value: body[field.key]! })),
        },
      ]
    }),
  )
}
