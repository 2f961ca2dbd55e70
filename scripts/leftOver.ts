import { readdirSync, rmSync } from 'node:fs'
import path from 'node:path'
import { workFolder } from './home'
import { endLeftOver } from './process'

/** Ends what a command of that name left running when it was killed, and removes its folder. What a living one uses stays. */
export async function clearLeftOver(name: string): Promise<void> {
  const all = workFolder()
  for (const folder of readdirSync(all)) {
    const pid = new RegExp(`^${name}-(\\d+)$`).exec(folder)?.[1]
    if (!pid || isAlive(Number(pid))) continue
    const place = path.join(all, folder)
    const files = readdirSync(place, { recursive: true, encoding: 'utf8' })
    for (const file of files.filter((each) => each.endsWith('.process'))) await endLeftOver(path.join(place, file), 3000)
    rmSync(place, { recursive: true, force: true })
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}
