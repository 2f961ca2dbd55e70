import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { connectTo } from '@/data/connect'
import { migrate, migrations, type Migrations } from '@/data/migrate'
import { tablesProblem, tablesState } from '@/data/migrationNames'
import { makeBackup } from './backup'
import type { Config } from './config'
import { appUser, type Reached } from './database'
import { putBackTo } from './restore'

/** Stands while tables are being changed: changes commit one by one, so one that was cut off is put back from the backup before it. */
const markerFile = (config: Config) => path.join(config.dataFolder, 'upgrade.json')

/**
 * Brings the tables to what this program needs. Before anything is changed a backup is made; where a change fails, or was cut off the last time, the tables are put back to it.
 * @throws Error where the data is another program’s, or a change failed
 */
export async function upgrade(
  config: Config,
  reached: Reached,
  say: (line: string) => void,
  changes: Migrations = migrations,
): Promise<void> {
  const marker = markerFile(config)
  if (existsSync(marker)) {
    const { backup } = JSON.parse(readFileSync(marker, 'utf8')) as { backup: string }
    say(`An upgrade was cut off. The data is put back to what it was before it (${backup}).`)
    await putBackTo(backup, reached.ownerUrl)
    rmSync(marker)
  }
  const owner = connectTo(reached.ownerUrl, 2)
  try {
    const state = await tablesState(owner, Object.keys(changes))
    const problem = tablesProblem(state)
    if (problem) throw new Error(problem)
    const { missing, empty } = state
    const app = await appUser(reached.url)
    if (empty || missing.length === 0) {
      await migrate(owner, app, changes)
      return
    }
    const backup = await makeBackup(config, reached, 'before an upgrade')
    say(`Before ${missing.length} ${missing.length === 1 ? 'change' : 'changes'} of the tables a backup was made: ${backup}`)
    writeFileSync(marker, JSON.stringify({ backup, missing }), { mode: 0o600 })
    try {
      await migrate(owner, app, changes)
    } catch (error) {
      await putBackTo(backup, reached.ownerUrl)
      rmSync(marker)
      throw new Error(
        `The upgrade failed, and the data is as it was before it. ${(error as Error).message}. Start the earlier program again, and send these words to whoever looks after Mozle.`,
        { cause: error },
      )
    }
    rmSync(marker)
  } finally {
    await owner.close()
  }
}
