import type { Content } from './content'
import type { StepContents } from './contents'

/** Liquids in the vessel while a step is done, the most first. */
export function liquids({ contents }: StepContents): Content[] {
  return contents
    .filter(({ line, volumeML }) => line.form.kind !== 'solid' && volumeML !== null)
    .sort((a, b) => b.volumeML! - a.volumeML!)
}

/** Grams of all that is in the vessel; what has no mass on record counts by its volume. */
export function gramsIn({ contents }: StepContents): number {
  return contents.reduce((sum, { massG, volumeML }) => sum + (massG ?? volumeML ?? 0), 0)
}
