import { writeNumber } from '@/core/quantity/write'
import { correctedRange } from '@/core/run/correctedRange'
import type { Entry } from '@/core/run/entry'
import type { StepState } from '@/core/run/stepState'

const marks = {
  'heat-on': 'Heat on',
  onset: 'Onset of reflux',
  'heat-off': 'Heat off',
  start: 'Clock started',
  dissolved: 'All of it dissolved',
} as const

const tubeEvents = {
  start: 'stopwatch started',
  warm: 'warmed, stopwatch started again',
  sign: 'the sign is seen',
  none: 'no sign',
} as const

/** What an entry is called in its step: `Vial with contents, with cap`. */
export function entryLabel({ step }: Pick<StepState, 'step'>, entry: Entry): string {
  switch (entry.kind) {
    case 'reading': {
      const container = 'container' in step ? step.container.charAt(0).toUpperCase() + step.container.slice(1) : ''
      const closure = entry.body.weighing?.closure ? `, ${entry.body.weighing.closure}` : ''
      const names: Record<string, string> = {
        full: `${container} with contents${closure}`,
        empty: `${container} empty${closure}`,
        tared: `${container} on, tared`,
        net: 'Shown after taring',
        portion: 'Hot solvent, a portion',
        temperature: 'Temperature',
        heater: 'Setting of the heater',
        volume: step.kind === 'crystallise' ? 'Hot solvent used' : 'Volume',
      }
      return names[entry.body.slot] ?? entry.body.slot
    }
    case 'melting':
      return 'Melting range'
    case 'head':
      return entry.body.volumeML === 0
        ? 'First drop, head'
        : `Head at ${writeNumber(entry.body.volumeML, entry.body.volumeDecimals)} mL`
    case 'window':
      return 'Window widened'
    case 'press':
      return marks[entry.body.mark]
    case 'tube':
      return `${entry.body.tube}: ${tubeEvents[entry.body.event]}`
    case 'note':
      return entry.body.slot.charAt(0).toUpperCase() + entry.body.slot.slice(1)
    case 'done':
      return 'Done'
    case 'signature':
      return 'Signature'
    case 'strike':
      return 'Struck'
  }
}

/** What an entry says, in print; empty for those that only mark a moment. */
export function entryValue(entry: Entry): string {
  if (entry.kind === 'reading') return `${writeNumber(entry.body.value, entry.body.decimals)} ${entry.body.unit}`.trim()
  if (entry.kind === 'head') return `${writeNumber(entry.body.headC, entry.body.decimals)} °C`
  if (entry.kind === 'window') return `${entry.body.lowC}–${entry.body.highC} °C: ${entry.reason ?? ''}`
  if (entry.kind === 'melting')
    return `${writeNumber(entry.body.onsetC, entry.body.decimals)}–${writeNumber(entry.body.clearC, entry.body.decimals)} °C${correction(entry)}`
  return entry.kind === 'note' ? entry.body.text : ''
}

/** The range put right, where its apparatus had standards. */
function correction({ body }: Entry<'melting'>): string {
  if (!body.instrument) return ''
  const { onsetC, clearC } = correctedRange(body)
  return `, corrected ${writeNumber(onsetC, 1)}–${writeNumber(clearC, 1)} °C`
}
