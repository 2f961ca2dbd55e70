import { mkdirSync } from 'node:fs'
import path from 'node:path'

/** The project's folder, and below it the git-ignored one where everything that the commands make is kept. */
export const home = process.env.MOZLE_HOME ?? process.cwd()

/** A folder below `.mozle/`, made when it is missing. */
export function workFolder(...parts: string[]): string {
  const folder = path.join(home, '.mozle', ...parts)
  mkdirSync(folder, { recursive: true })
  return folder
}
