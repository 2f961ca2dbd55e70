import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import os from 'node:os'
import path from 'node:path'
import { TestLog } from '@/test-support/entries'
import { pdfOf } from '@/test-support/handoutFiles'
import { acetanilide } from '@/test-support/plans'
import { calc } from './calc'
import { runningWords } from './runningWords'
import { freePort } from './freePort'
import { takeLock } from './lock'
import { endLeftOver, knownProcess, runs, writeKnown } from './process'
import { keepRunning } from './keepRunning'

const home = process.cwd()
let folder: string
beforeAll(() => (folder = mkdtempSync(path.join(os.tmpdir(), 'mozle-test-'))))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const file = (name: string, content: unknown) => {
  const place = path.join(folder, name)
  writeFileSync(place, typeof content === 'string' ? content : JSON.stringify(content))
  return place
}
/** Starts the entry script from another folder, as a person might. */
const mozle = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(path.join(home, 'mozle'), args, { cwd: folder, encoding: 'utf8' })
  return { status, stdout, stderr }
}

describe('a demo that runs already', () => {
  const note = 'Mozle: http://127.0.0.1:4310\n\nCtrl-C stops all of it'
  test('says so, with its sign-ins', () => expect(runningWords(note, [])).toBe(`The demo is already running.\n${note}`))
  test.each([[['--empty']], [['--port', '4400']], [['--empty', '--port', '4400']]])('%j is not dropped silently', (args) => {
    const words = runningWords(note, args)
    expect(words).toContain(`running at http://127.0.0.1:4310. ${args.join(' ')} was not used`)
    expect(words).toMatch(new RegExp(`git clone .* && .*/mozle demo ${args.join(' ')}`))
    expect(words).toContain('Ctrl-C')
  })
})

describe('mozle calc', () => {
  const plan = () => file('plan.json', acetanilide)

  test('prints what core computes from a plan', () => {
    const { status, stdout } = mozle('calc', plan())
    expect(status).toBe(0)
    expect(stdout).toBe(calc([plan()]).out)
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
    const { out } = calc([plan(), '--log', file('log.json', { scale: 0.8, entries: log.entries })])
    const { run } = JSON.parse(out) as {
      run: { charged: Record<string, { value: number }>; theoreticalYield_g: { value: number } }
    }
    expect(run.charged.aniline!.value).toBeCloseTo(3.274, 9)
    // 3.274 g × 0.99 ÷ 93.129 × 135.166
    expect(run.theoreticalYield_g.value).toBeCloseTo(4.70431, 4)
  })

  test('the sheet of cases says of each how far it is off', () => {
    const { code, out, err } = calc(['--cases'])
    expect([code, err]).toEqual([0, ''])
    expect(out).toMatch(/\n\d{3} cases, 0 off\n$/)
    expect(out).toMatch(
      /holds\tgas\t10 mmol of bicarbonate and enough acid\texpected 240.6\tfound 240.\d+ mL at 20 °C\tdeviation [+−]0/,
    )
    expect(calc(['--cases', 'x']).code).toBe(2)
  })

  test.each([
    ['a plan that is not JSON', () => [file('bad.json', '{')], /bad.json: This is not JSON/],
    [
      'a plan with a fault',
      () => [file('fault.json', { ...acetanilide, reference: 'gone' })],
      /fault.json: \/reference: there is no line “gone”/,
    ],
    ['a newer plan', () => [file('new.json', { ...acetanilide, version: 9 })], /version 9/],
    ['a missing file', () => [path.join(folder, 'gone.json')], /gone.json: cannot be read/],
    ['a folder', () => [folder], /cannot be read/],
    ['a log with a fault', () => [plan(), '--log', file('log2.json', [{ id: 1 }])], /log2.json: \/entries\/0/],
    ['no file', () => [], /usage/],
    ['a log without a name', () => [plan(), '--log'], /usage/],
    ['a log before its plan', () => ['--log', plan()], /usage/],
    ['two logs of one plan', () => [plan(), '--log', plan(), '--log', plan()], /usage/],
    ['a word nobody knows', () => [plan(), '--lag', plan()], /usage/],
  ])('%s ends with exit code 2 and words', (_what, args, message) => {
    const { code, out, err } = calc(args())
    expect([code, out]).toEqual([2, ''])
    expect(err).toMatch(message)
    expect(err).not.toMatch(/ at .*\.ts:\d/)
  })

  test('several plans are a list, each with the entries named after it; a bad one is said and the others are computed', () => {
    const log = new TestLog()
    log.difference('charge-aniline', 26.692, 23.418)
    const entries = file('many-log.json', { scale: 0.8, entries: log.entries })
    const gone = path.join(folder, 'gone.json')
    const { code, out, err } = calc([plan(), gone, plan(), '--log', entries])
    const alone = (...args: string[]) => JSON.parse(calc(args).out) as object
    expect(JSON.parse(out)).toEqual([
      { file: plan(), ...alone(plan()) },
      { file: plan(), ...alone(plan(), '--log', entries) },
    ])
    expect([code, err]).toEqual([2, `${gone}: cannot be read (ENOENT).\n`])
  })

  test('answers at once: what it needs is one file, which a change of a source makes anew', () => {
    const made = path.join(home, '.mozle/commands/quick.mjs')
    mozle('calc', plan())
    const { mtimeMs } = statSync(made)
    utimesSync(made, 0, 0)
    const { status } = mozle('calc', plan())
    expect([status, statSync(made).mtimeMs > mtimeMs]).toEqual([0, true])
  })

  test('a started command ends the same way', () => {
    const { status, stdout, stderr } = mozle('calc', file('bad.json', '{'))
    expect([status, stdout]).toEqual([2, ''])
    expect(stderr).toMatch(/bad.json: This is not JSON/)
  })
})

describe('the entry', () => {
  test('says what it can do, and refuses what it cannot', () => {
    const { status, stdout } = mozle('help')
    expect([status, stdout]).toEqual([0, expect.stringMatching(/demo .*--fresh/)])
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
    const several = await Promise.all(Array.from({ length: 40 }, () => freePort()))
    expect(new Set(several).size).toBe(40)
  })

  test('a lock is held by one process; a dead one’s is taken over, and one whose id another process has by now', () => {
    const name = `test-lock-${process.pid}`
    const lockFile = path.join(home, '.mozle', `${name}.lock`)
    const lock = takeLock(name)
    expect('release' in lock).toBe(true)
    // The process that runs the tests is alive and is not this one.
    const parent = knownProcess(process.ppid)
    writeKnown(lockFile, parent)
    expect(takeLock(name)).toEqual({ heldBy: process.ppid })
    for (const dead of [
      { pid: 999_999_999, began: null },
      { ...parent, began: '1' },
    ]) {
      writeKnown(lockFile, dead)
      const again = takeLock(name)
      expect('release' in again).toBe(true)
      if ('release' in again) again.release()
    }
    // Half written by a command that starts at the same moment, then left so.
    writeFileSync(lockFile, '')
    expect(takeLock(name)).toEqual({ heldBy: 0 })
    utimesSync(lockFile, new Date(0), new Date(0))
    const left = takeLock(name)
    expect('release' in left).toBe(true)
    if ('release' in left) left.release()
    expect(runs(knownProcess(process.pid))).toBe(true)
  })
})

describe('what a killed command leaves', () => {
  const sleeper = () => spawn('sleep', ['60'], { detached: true, stdio: 'ignore' })
  const gone = (child: ReturnType<typeof sleeper>) => new Promise((resolve) => child.once('exit', resolve))

  test('is ended by the next one; what is not ours is left alone', async () => {
    const record = path.join(folder, 'left.process')
    const child = sleeper()
    writeKnown(record, { ...knownProcess(child.pid!), began: '1' })
    expect(await endLeftOver(record)).toBe(false)
    expect(runs(knownProcess(child.pid!))).toBe(true)
    writeKnown(record, knownProcess(child.pid!))
    const ended = gone(child)
    expect(await endLeftOver(record)).toBe(true)
    await ended
    expect(existsSync(record)).toBe(false)
    expect(await endLeftOver(record)).toBe(false)
  })

  test('a program that dies is started again, and it is said', async () => {
    const lines: string[] = []
    const first = sleeper()
    let second: ReturnType<typeof sleeper> | undefined
    const started = new Promise<void>((resolve) => {
      keepRunning(
        'the database',
        first,
        async () => (second = sleeper()),
        (line) => {
          lines.push(line)
          if (/is back/.test(line)) resolve()
        },
      )
    })
    process.kill(first.pid!, 'SIGKILL')
    await started
    expect(lines).toEqual([
      expect.stringMatching(/ended by itself \(SIGKILL\); it is started again in 0.2 s/),
      'mozle: the database is back.',
    ])
    second!.removeAllListeners('exit')
    second!.kill()
  })
})

describe('mozle read', () => {
  const text = 'Benzil\n\nHeat 4.0 g of benzoin with 14 mL of conc. nitric acid for 10 min at 95 °C. Yield 3.2 g.'

  test('prints what a procedure says, with the words that each comes from', () => {
    const { status, stdout } = mozle('read', file('benzil.txt', text))
    expect(status).toBe(0)
    const read = JSON.parse(stdout) as Read
    expect(read).toMatchObject({
      format: 'mozle-reading',
      version: 1,
      title: 'Benzil',
      does: 'makes',
      product: 'benzil',
      balanced: true,
    })
    expect(read.lines[0]).toMatchObject({ id: 'benzoin', sure: true, places: [{ text: '4.0 g of benzoin' }] })
    expect(read.lines[1]).toMatchObject({ id: 'nitric-acid', sure: false, asks: [{ words: '“concentrated” is' }] })
    const heat = read.steps.find(({ operation }) => operation === 'heat')!
    expect(heat.fields).toEqual(
      expect.arrayContaining([{ field: 'holdMin', value: 10, figure: true, place: expect.objectContaining({ text: '10 min' }) }]),
    )
    expect(read.says).toMatchObject([{ of: 'yield mass', low: 3.2, unit: 'g', place: { text: '3.2 g' } }])
    for (const { from, to, text: words } of read.lines.flatMap(({ places }) => places)) expect(text.slice(from, to)).toBe(words)
  })

  test('reads a PDF that carries text, and a scheme', () => {
    const pdf = path.join(folder, 'benzil.pdf')
    writeFileSync(pdf, pdfOf(['Benzil', 'Heat 4.0 g of benzoin for 10 min at 95 °C.']))
    expect((JSON.parse(mozle('read', pdf).stdout) as Read).lines[0]).toMatchObject({ id: 'benzoin' })
    const scheme = JSON.parse(mozle('read', file('a.smi', 'O=Cc1ccccc1.O=Cc1ccccc1>>OC(c1ccccc1)C(=O)c1ccccc1')).stdout) as Read
    expect(scheme).toMatchObject({ product: 'benzoin', balanced: true })
  })

  test('several files are a list; one that cannot be read does not keep the others', () => {
    const { status, stdout, stderr } = mozle(
      'read',
      file('benzil.txt', text),
      path.join(folder, 'nowhere.txt'),
      file('b.txt', text),
    )
    expect([status, stderr]).toEqual([2, expect.stringContaining('nowhere.txt: cannot be opened')])
    expect(JSON.parse(stdout)).toMatchObject([
      { file: path.join(folder, 'benzil.txt'), title: 'Benzil' },
      { file: path.join(folder, 'b.txt'), title: 'Benzil' },
    ])
  })

  test('exit code 2 with the reason on what is no text', () => {
    const scan = path.join(folder, 'scan.pdf')
    writeFileSync(scan, pdfOf([]))
    const bad = [
      [scan, 'scan.pdf is a picture of a page'],
      [path.join(folder, 'nowhere.txt'), 'cannot be opened'],
      [file('long.txt', 'Add 5 g of aniline. '.repeat(6000)), 'has 120,000 characters'],
      [file('bad.smi', 'Qq>>CC=O'), 'bad.smi:'],
    ] as const
    const { status, stdout, stderr } = mozle('read', ...bad.map(([name]) => name))
    expect([status, stdout]).toEqual([2, '[]\n'])
    stderr
      .trim()
      .split('\n')
      .forEach((words, index) => expect(words).toContain(bad[index]![1]))
    expect(stderr.trim().split('\n')).toHaveLength(bad.length)
    expect(mozle('read')).toMatchObject({ status: 2, stderr: expect.stringContaining('usage') as string })
  })
})

interface Read {
  lines: { places: { from: number; to: number; text: string }[] }[]
  steps: { operation: string; fields: unknown[] }[]
  says: unknown[]
}
