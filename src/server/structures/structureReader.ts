import { Apart, ApartError } from '../apart/apart'
import { apartPrograms } from '../apart/programs'
import { Refusal } from '../refusal'
import type { Tasks } from './drawingProcess'

/** A structure of a teaching laboratory is drawn in some milliseconds. */
const reader = new Apart<Tasks>(
  { script: apartPrograms.drawing, longestMs: 10_000, memoryMB: 192 },
  {
    spent: 'This structure took too long or too much memory to read. Write the substance by its formula instead.',
    unable: 'Structures cannot be read at the moment.',
  },
)

async function asked<T>(answer: Promise<T>): Promise<T> {
  try {
    return await answer
  } catch (error) {
    throw error instanceof ApartError ? new Refusal(400, error.message, { field: 'structure' }) : error
  }
}

/** Reads SMILES or a molfile. @throws Refusal 400 */
export const understandStructure = (text: string) => asked(reader.ask('understand', text))

/** A structure as a molfile whose first line, the name, is yet to be put before it. @throws Refusal 400 */
export const molfileOf = (smiles: string) => asked(reader.ask('molfile', smiles))

const mostKept = 2000
/** Drawings by structure, the last used last. What could not be drawn is kept as well, so that it is not tried at every visit. */
const kept = new Map<string, Promise<string | null>>()

/** A structure drawn as SVG, each only once; null where it cannot be. */
export function drawingOf(smiles: string): Promise<string | null> {
  const drawing =
    kept.get(smiles) ??
    reader.ask('draw', smiles).catch((error: ApartError) => {
      // What can never be drawn is not tried again; what only took too long this time is.
      if (error.spent) kept.delete(smiles)
      return null
    })
  kept.delete(smiles)
  kept.set(smiles, drawing)
  if (kept.size > mostKept) kept.delete(kept.keys().next().value!)
  return drawing
}

/** Starts the drawing process, so that the first page need not wait for it. */
export async function warmUp(): Promise<void> {
  await drawingOf('CC')
}
