import type { Substance } from '@/core/substance/substance'
import { call } from '../call'

/** The picture of a substance; null where it has no structure, and where none can be had now: a page goes on without. */
export async function drawingOf(course: string, { name, smiles }: Pick<Substance, 'name' | 'smiles'>): Promise<string | null> {
  if (!smiles) return null
  const asked = new URLSearchParams({ smiles, name })
  return call<{ drawing: string | null }>(`/api/courses/${course}/substances/drawing?${asked.toString()}`)
    .then(({ drawing }) => drawing)
    .catch(() => null)
}
