/** The application and its database are killed while a bench writes: nothing is lost, and nothing stands twice. */
import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import path from 'node:path'
import { createInterface } from 'node:readline'
import { expect, test } from '@playwright/test'
import { leave, openBench } from './support'

interface KillStand {
  base: string
  code: string
  records: string[]
}

const pidIn = (record: string) => (JSON.parse(readFileSync(record, 'utf8')) as { pid: number }).pid

test('kill -9 of the application and of the database while a bench writes', { tag: '@all' }, async ({ browser }) => {
  test.setTimeout(240_000)
  const home = process.cwd()
  const child = spawn(
    process.execPath,
    [
      '--import',
      `file://${path.join(home, 'node_modules/tsx/dist/esm/index.mjs')}`,
      path.join(home, 'scripts/killStand.ts'),
      process.env.MOZLE_BUILT!,
    ],
    { cwd: home, env: { ...process.env, MOZLE_HOME: home }, stdio: ['ignore', 'pipe', 'inherit'] },
  )
  try {
    const [line] = await Promise.race([
      new Promise<string[]>((resolve) => createInterface(child.stdout).once('line', (text) => resolve([text]))),
      new Promise<never>((_, reject) => child.once('exit', (code) => reject(new Error(`The stand ended with ${code}.`)))),
    ])
    const stand = JSON.parse(line!) as KillStand
    const bench = await openBench(browser, stand.code, stand.base)
    const before = Number(/\d+/.exec(await bench.getByRole('status').first().innerText())?.[0] ?? '1')
    const written = 20
    const seen = bench.getByRole('region', { name: 'What we see' })
    for (let index = 0; index < written; index++) {
      await bench.getByRole('button', { name: 'Write what we see' }).click()
      await seen.getByLabel('What we see, in our words').fill(`seen ${index + 1}`)
      await seen.getByRole('button', { name: 'Write it down' }).click()
      // In the middle of an answer, and in the middle of an append.
      if (index === 4) process.kill(pidIn(stand.records[0]!), 'SIGKILL')
      if (index === 10) process.kill(pidIn(stand.records[1]!), 'SIGKILL')
      if (index === 15) process.kill(pidIn(stand.records[0]!), 'SIGKILL')
    }
    await expect(bench.getByRole('status').first()).toContainText(`all ${before + written} entries in the book`, {
      timeout: 90_000,
    })
    // As another tablet reads it from the book, with nothing kept on it.
    const other = await openBench(browser, stand.code, stand.base)
    const words = await other.locator('.written').filter({ hasText: 'seen ' }).allInnerTexts()
    expect(words.map((each) => Number(/seen (\d+)/.exec(each)![1])).sort((a, b) => a - b)).toEqual(
      Array.from({ length: written }, (_, index) => index + 1),
    )
    for (const tablet of [bench, other]) await leave(tablet)
  } finally {
    const ended = new Promise((resolve) => child.once('exit', resolve))
    child.kill('SIGTERM')
    await ended
  }
})
