import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import os from 'node:os'
import path from 'node:path'
import { TestLog } from '@/test-support/entries'
import { acetanilide } from '@/test-support/plans'
import { freePort } from './freePort'
import { isRunning, takeLock } from './lock'

const home = process.cwd()
let folder: string
beforeAll(() => (folder = mkdtempSync(path.join(os.tmpdir(), 'mozle-test-'))))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const file = (name: string, content: unknown) => {
  const place = path.join(folder, name)
  writeFileSync(place, typeof content === 'string' ? content : JSON.stringify(content))
  return place
}
/** Runs the entry script from another folder, as a person might. */
const mozle = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(path.join(home, 'mozle'), args, { cwd: folder, encoding: 'utf8' })
  return { status, stdout, stderr }
}

describe('mozle calc', () => {
  const plan = () => file('plan.json', acetanilide)

  test('prints what core computes from a plan', () => {
    const { status, stdout } = mozle('calc', plan())
    expect(status).toBe(0)
    const document = JSON.parse(stdout) as {
      lines: { id: string; amount_mmol: { value: number } }[]
      theoreticalYield_g: { value: number }
    }
    // 4.00 mL × 1.022 g/mL × 0.99 ÷ 93.129 g/mol, and × 135.166 g/mol
    expect(document.lines.find(({ id }) => id === 'aniline')!.amount_mmol.value).toBeCloseTo(43.45714, 4)
    expect(document.theoreticalYield_g.value).toBeCloseTo(5.87393, 4)
  })

  test('with a log, what was charged decides', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 26.692, 23.418)
    const { stdout } = mozle('calc', plan(), '--log', file('log.json', { scale: 0.8, entries: log.entries }))
    const { run } = JSON.parse(stdout) as {
      run: { charged: Record<string, { value: number }>; theoreticalYield_g: { value: number } }
    }
    expect(run.charged.aniline!.value).toBeCloseTo(3.274, 9)
    // 3.274 g × 0.99 ÷ 93.129 × 135.166
    expect(run.theoreticalYield_g.value).toBeCloseTo(4.70431, 4)
  })

  test.each([
    ['a plan that is not JSON', () => ['calc', file('bad.json', '{')], /bad.json: This is not JSON/],
    [
      'a plan with a fault',
      () => ['calc', file('fault.json', { ...acetanilide, reference: 'gone' })],
      /fault.json: \/reference: there is no line “gone”/,
    ],
    ['a newer plan', () => ['calc', file('new.json', { ...acetanilide, version: 9 })], /version 9/],
    ['a missing file', () => ['calc', path.join(folder, 'gone.json')], /gone.json: cannot be read/],
    ['a folder', () => ['calc', folder], /cannot be read/],
    ['a log with a fault', () => ['calc', plan(), '--log', file('log2.json', [{ id: 1 }])], /log2.json: \/entries\/0/],
    ['no file', () => ['calc'], /usage/],
    ['a log without a name', () => ['calc', plan(), '--log'], /usage/],
  ])('%s ends with exit code 2 and words', (_what, args, message) => {
    const { status, stdout, stderr } = mozle(...args())
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toMatch(message)
    expect(stderr).not.toMatch(/ at .*\.ts:\d/)
  })
})

describe('the entry', () => {
  test('says what it can do, and refuses what it cannot', () => {
    expect(mozle('help')).toMatchObject({ status: 0 })
    expect(mozle('help').stdout).toMatch(/demo .*--fresh/)
    expect(mozle('dance').status).toBe(2)
    expect(mozle('demo', '--port', 'many').status).toBe(2)
  })
})

describe('ports and locks', () => {
  test('a port that is taken is not given out', async () => {
    const taken = createServer()
    await new Promise<void>((resolve) => taken.listen(0, '127.0.0.1', resolve))
    const { port } = taken.address() as { port: number }
    const given = await freePort(port)
    expect(given).not.toBe(port)
    await new Promise((resolve) => taken.close(resolve))
    expect(await freePort(port)).toBe(port)
  })

  test('a lock is held by one process, and a dead one’s is taken over', () => {
    const name = `test-lock-${process.pid}`
    const lock = takeLock(name)
    expect('release' in lock).toBe(true)
    // The process that runs the tests is alive and is not this one.
    writeFileSync(path.join(home, '.mozle', `${name}.lock`), String(process.ppid))
    expect(takeLock(name)).toEqual({ heldBy: process.ppid })
    writeFileSync(path.join(home, '.mozle', `${name}.lock`), '999999999')
    const again = takeLock(name)
    expect('release' in again).toBe(true)
    if ('release' in again) again.release()
    expect(isRunning(process.pid)).toBe(true)
    expect(isRunning(999_999_999)).toBe(false)
  })
})
