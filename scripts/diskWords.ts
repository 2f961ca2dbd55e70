import { freeBytes, leastFreeBytes } from '@/server/health'

/** What is said at a start where the disk of a folder is nearly full; nothing where it has room. */
export async function diskWords(folder: string): Promise<string | undefined> {
  const free = await freeBytes(folder)
  if (free === null || free >= leastFreeBytes) return undefined
  return `only ${Math.round(free * 1e-6)} MB are free at ${folder}. Below ${leastFreeBytes * 1e-6} MB the service calls itself not ready, and soon nothing more can be written: make room, or move the data.`
}
