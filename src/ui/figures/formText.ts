import type { Form } from '@/core/plan/plan'
import { writeNumber } from '@/core/quantity/write'

const inSolvent = ({ solvent }: { solvent?: string | undefined }) => (solvent ? ` in ${solvent}` : '')

/** What is in a bottle, in words: `solid, 97 %`, `3 mol/L solution`, `37 % w/w solution`. */
export function formText(form: Form): string {
  switch (form.kind) {
    case 'solution':
      return form.molPerL === undefined
        ? `solution${inSolvent(form)}, strength not said`
        : `${form.molPerL} mol/L solution${inSolvent(form)}`
    case 'mass-volume':
      return form.gPer100ML === undefined
        ? `solution${inSolvent(form)}, strength not said`
        : `${form.gPer100ML} % w/v solution${inSolvent(form)}`
    case 'mass-fraction':
      return form.fraction === undefined
        ? 'solution, strength not said'
        : `${Number((form.fraction * 100).toFixed(1))} % w/w solution`
    default: {
      const water = form.kind === 'solid' && form.water ? `, with ${form.water} H₂O` : ''
      return `${form.kind}${form.purity < 1 ? `, ${writeNumber(form.purity * 100, 0)} %` : ''}${water}`
    }
  }
}

/** What a bottle may hold, as it is chosen. */
export const formKinds: readonly { kind: Form['kind']; name: string }[] = [
  { kind: 'solid', name: 'solid' },
  { kind: 'neat', name: 'neat liquid' },
  { kind: 'solution', name: 'solution, mol/L' },
  { kind: 'mass-fraction', name: 'solution, % w/w' },
  { kind: 'mass-volume', name: 'solution, % w/v' },
]
