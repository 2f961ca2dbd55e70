import { mkdirSync, rmSync } from 'node:fs'
import path from 'node:path'
import { gzipSync } from 'node:zlib'
import { ulid } from 'ulid'
import acetanilideFile from '@/demo/plans/acetanilide.json'
import type { Line, Plan } from '@/core/plan/plan'
import { batchDistillation } from '@/core/operations/distil/batch'
import type { Component, Mixture } from '@/core/operations/distil/equilibrium'
import { layerFlow } from '@/core/operations/extract/layerFlow'
import { queriesOf } from '@/core/query/queries'
import { editLine } from '@/core/edit/editLine'
import { reactionTable } from '@/core/reaction/reactionTable'
import { searchSubstances, substanceIndex } from '@/core/substance/search'
import { substanceRecords } from '@/reference/records'
import type { Entry } from '@/core/run/entry'
import { foldRun } from '@/core/run/foldRun'
import { connectTo, database } from '@/data/connect'
import { appendEntries } from '@/data/entries'
import { migrate } from '@/data/migrate'
import { college } from '@/demo/college'
import { benchResults } from './benchResults'
import { benchStores } from './benchStores'
import { build } from './build'
import { stopAll, stopAllOnSignals } from './child'
import { clearLeftOver } from './leftOver'
import { secretsOf, startDatabase } from './database'
import { home, workFolder } from './home'
import { ensurePackages } from './packages'
import { safetyRead } from './load/safetyRead'
import { seed } from './seed'
import { serve } from './serve'

const plan = acetanilideFile as unknown as Plan
const rounds = 7

function median(values: number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)]!
}

function percentile(values: number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!
}

function report(what: string, value: number, unit: string, size: string, runs: string): void {
  console.log(`${what.padEnd(46)} ${value.toFixed(value < 10 ? 3 : 1).padStart(9)} ${unit.padEnd(3)} ${size}; ${runs}`)
}

/** Median over several rounds of the mean time of one call in ms, after a warm-up. */
function timed(work: () => void, calls: number): number {
  for (let warm = 0; warm < calls; warm++) work()
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now()
      for (let call = 0; call < calls; call++) work()
      return (performance.now() - start) / calls
    }),
  )
}

/** A plan with as many lines and steps as asked for, made of copies of acetanilide's. */
function longPlan(lines: number, steps: number): Plan {
  const copies = <T extends { id: string }>(items: readonly T[], count: number) =>
    Array.from({ length: Math.max(0, count - items.length) }, (_, index): T => ({
      ...items[index % 6]!,
      id: `${items[index % 6]!.id}-${index}`,
    }))
  const extra = copies(plan.lines, lines).map((line): Line => ({
    ...line,
    role: line.role === 'reactant' ? 'reagent' : line.role,
    coefficient: null,
  }))
  return { ...plan, lines: [...plan.lines, ...extra], steps: [...plan.steps, ...copies(plan.steps, steps)] }
}

/** A record with names as long as real ones, for a reference larger than the one that ships. */
function invented(at: number) {
  const real = substanceRecords[at % substanceRecords.length]!
  return { ...real, id: `${real.id}-${at}`, name: `${real.name} number ${at}` }
}

/** `mozle bench`: speed figures, each a median of several runs with the size of the work beside it. */
export async function bench(): Promise<void> {
  stopAllOnSignals()
  await clearLeftOver('bench')
  benchResults(report)
  benchStores(report, timed)
  const long = longPlan(30, 40)
  let toggle = false
  report(
    'recalculate the table after a keystroke',
    timed(() => {
      toggle = !toggle
      const read = editLine(long, 'aniline', 'volume', toggle ? '4.00 mL' : '4.10 mL')
      if (read.ok) queriesOf(read.value, reactionTable(read.value))
    }, 200),
    'ms',
    `${long.lines.length} lines, with its queries`,
    `median of ${rounds} × 200`,
  )
  const index = substanceIndex(Array.from({ length: 5000 }, (_, at) => invented(at)))
  const asked = ['acet', 'c7h', 'methyl', 'ol', 'benz', 'number 4999', 'nothing of the kind']
  let next = 0
  report(
    'search the substances',
    timed(() => searchSubstances(index, asked[next++ % asked.length]!), 70),
    'ms',
    `${index.entries.length} substances, by name and formula`,
    `median of ${rounds} × 70`,
  )
  const entries = manyEntries(2000)
  report(
    'fold a run',
    timed(() => foldRun(plan, 1, entries), 20),
    'ms',
    `${entries.length} entries`,
    `median of ${rounds} × 20`,
  )

  operationFigures()

  const folder = workFolder(`bench-${process.pid}`)
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  try {
    const [db, built] = await Promise.all([startDatabase(folder, { durable: true }), build('test')])
    const owner = connectTo(db.ownerUrl)
    await migrate(owner)
    await owner.close()
    const made = await seed(db.ownerUrl)
    process.env.MOZLE_DB_URL = db.appUrl
    await appending(made)
    await inTheBrowser(
      {
        folder: built,
        dbUrl: db.appUrl,
        cookieKey: secretsOf(folder).cookie,
        log: path.join(folder, 'app.log'),
        record: path.join(folder, 'app.process'),
      },
      made,
    )
  } finally {
    await stopAll()
  }
}

/** What the operations cost that compute most. */
function operationFigures(): void {
  const cyclohexane = { name: 'cyclohexane', a: 6.8413, b: 1201.53, c: 222.65, gPerMol: 84.16, gPerML: 0.779 }
  const toluene = { name: 'toluene', a: 6.95464, b: 1344.8, c: 219.48, gPerMol: 92.14, gPerML: 0.867 }
  const xylene = { name: 'o-xylene', a: 6.99891, b: 1474.679, c: 213.69, gPerMol: 106.17, gPerML: 0.88 }
  const column = { stages: 20, reflux: 5, holdUpML: 2, points: 2000, stopML: 5 }
  const mixture = (components: Component[]): Mixture => ({ components, model: { kind: 'ideal' }, mmHg: 760 })
  const size = `${column.stages} stages, ${column.points} points`
  const [two, three] = [mixture([cyclohexane, toluene]), mixture([cyclohexane, toluene, xylene])]
  report(
    'batch distillation, two components',
    timed(() => batchDistillation(two, { ...column, mmol: [230, 235] }), 20),
    'ms',
    size,
    `median of ${rounds} × 20`,
  )
  report(
    'batch distillation, three components',
    timed(() => batchDistillation(three, { ...column, mmol: [230, 235, 200] }), 3),
    'ms',
    size,
    `median of ${rounds} × 3`,
  )
  const solutes = Array.from({ length: 6 }, (_, index) => ({ id: `solute ${index}`, mmol: 5, K: 2 ** index, acidPKa: 3 + index }))
  const steps = Array.from({ length: 12 }, (_, index) => ({
    kind: 'shake' as const,
    layer: 'ether',
    portions: 3,
    portionML: 10,
    pH: index,
    into: `flask ${index}`,
  }))
  const start = { name: 'ether', kind: 'organic' as const, volumeML: 50, pH: 7 }
  report(
    'flow of layers',
    timed(() => layerFlow(start, solutes, steps), 200),
    'ms',
    `${solutes.length} solutes, ${steps.length} steps`,
    `median of ${rounds} × 200`,
  )
}

function manyEntries(count: number): Entry[] {
  const { entries } = college(new Date(), 'UTC').sessions[0]!.runs[0]!
  return Array.from({ length: count }, (_, index) => ({
    ...entries[index % entries.length]!,
    id: ulid(1_700_000_000_000 + index),
  }))
}

/** Two hundred writers, each on a run of its own, one entry at a time against a durable database. */
async function appending(made: ReturnType<typeof college>): Promise<void> {
  const { Run } = await import('@/data/models')
  database()
  const template = await Run.findByPk(made.sessions[2]!.runs[0]!.id, { rejectOnEmpty: true })
  const writers = Array.from({ length: 200 }, (_, index) => ({
    ...template.get({ plain: true }),
    id: ulid(),
    code: `B${String(index).padStart(5, '0')}`,
    readCode: null,
    lastSeq: 0,
  }))
  await Run.bulkCreate(writers)
  const rounds: number[][] = []
  for (let round = 0; round < 3; round++) rounds.push(await storm(writers.map(({ id }) => id)))
  const size = '200 benches writing, one entry each every 2 s at random moments'
  const runs = `median of ${rounds.length} rounds of ${rounds[0]!.length} entries`
  report('append one entry, p95', median(rounds.map((times) => percentile(times, 0.95))), 'ms', size, runs)
  report('append one entry, median', median(rounds.map(median)), 'ms', size, runs)
  await database().close()
}

/** Ten entries from each bench, each at a moment of its own, as benches do not press in step; how long each took, in ms. */
async function storm(runs: readonly string[]): Promise<number[]> {
  const pause = (most: number) => new Promise((resolve) => setTimeout(resolve, Math.random() * most))
  const times: number[] = []
  await Promise.all(
    runs.map(async (run) => {
      for (let index = 0; index < 10; index++) {
        // A bench writes a few times a minute; every two seconds is already a storm.
        await pause(4000)
        const now = new Date()
        const entry = safetyRead(now)
        const start = performance.now()
        await appendEntries(run, [entry], now)
        times.push(performance.now() - start)
      }
    }),
  )
  return times
}

async function inTheBrowser(app: Parameters<typeof serve>[0], made: ReturnType<typeof college>): Promise<void> {
  ensurePackages('browser')
  const { chromium } = await import('@playwright/test')
  const served = await serve(app)
  const profile = path.join(home, '.mozle', `bench-${process.pid}`, 'profile')
  mkdirSync(profile, { recursive: true })
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update'],
  })
  try {
    const page = await browser.newPage({ viewport: { width: 1180, height: 820 } })
    const scripts: Promise<{ url: string; size: number }>[] = []
    page.on('response', (response) => {
      if (response.request().resourceType() !== 'script') return
      const url = new URL(response.url()).pathname
      scripts.push(response.body().then((body) => ({ url, size: gzipSync(body).length })))
    })
    const [owner] = made.people
    const signIn = await page.request.post(`${served.address}/api/bench`, {
      data: { code: made.sessions[1]!.runs[0]!.code },
      headers: { origin: served.address },
    })
    if (!signIn.ok()) throw new Error(`The bench did not open: ${await signIn.text()}`)
    const html = await (await page.goto(`${served.address}/bench`))!.text()
    await page.locator('.step-face').waitFor()
    // By then what later steps need has been fetched too.
    await page.waitForTimeout(6000)
    const all = await Promise.all(scripts)
    const first = all.filter(({ url }) => html.includes(url))
    const kB = (files: typeof all) => files.reduce((sum, { size }) => sum + size, 0) / 1000
    report('first-load script of the bench', kB(first), 'kB', `${first.length} files that the page names, gzip`, 'one load')
    report('script of the bench, with its later steps', kB(all), 'kB', `${all.length} files, gzip`, 'one load')

    await page.getByRole('button', { name: 'Set up', exact: false }).first().waitFor()
    await page.evaluate(taps)
    const faces = await page.evaluate(taps)
    report(
      'tap to the next face of the bench, p95',
      percentile(faces, 0.95),
      'ms',
      `${plan.steps.length} steps`,
      `${faces.length} taps`,
    )

    // Its clock and its stream would be measured too.
    await page.close()
    const desk = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await desk.request.post(`${served.address}/api/sign-in`, {
      data: { signIn: owner!.signIn, password: owner!.password },
      headers: { origin: served.address },
    })
    const draftOf = async (long: Plan, at: number) => {
      const { id, revision } = made.preparations[at]!
      const draft = await desk.request.post(`${served.address}/api/preparations/${id}/drafts`, {
        data: { from: revision, plan: long },
        headers: { origin: served.address },
      })
      if (!draft.ok()) throw new Error((await draft.text()).slice(0, 300))
      return id
    }
    const opened = async (id: string) => {
      const start = performance.now()
      await desk.goto(`${served.address}/desk/${id}`, { waitUntil: 'commit' })
      await desk.getByLabel('volume of aniline').first().click()
      return performance.now() - start
    }
    const long = longPlan(30, 40)
    await opened(await draftOf(long, 0))
    // The first keys warm the machine up, as everywhere here.
    await desk.evaluate(keystrokes)
    const times = await desk.evaluate(keystrokes)
    const size = `${long.lines.length} lines, ${long.steps.length} steps`
    report('keystroke to layout of the table, p95', percentile(times.layout, 0.95), 'ms', size, `${times.layout.length} keys`)
    report('keystroke to repainted table, median', median(times.paint), 'ms', size, `${times.paint.length} keys`)
    const longer = longPlan(100, 100)
    const id = await draftOf(longer, 1)
    // The server is warmed up too: it serves such pages all day.
    const veryFirst = await opened(id)
    for (let round = 0; round < rounds; round++) await desk.request.get(`${served.address}/desk/${id}`)
    const opens: number[] = []
    for (let round = 0; round < rounds; round++) opens.push(await opened(id))
    report(
      'opening a plan until it is written in',
      median(opens),
      'ms',
      `${longer.lines.length} lines, ${longer.steps.length} steps`,
      `median of ${rounds}, the very first ${veryFirst.toFixed(0)} ms`,
    )
  } finally {
    await browser.close()
  }
}

/** Opens one step after the other and says how long each took to the layout of its face, ms. */
async function taps(): Promise<number[]> {
  const steps = [...document.querySelectorAll<HTMLButtonElement>('.thread li button')]
  const times: number[] = []
  for (let index = 0; index < 40; index++) {
    await new Promise((resolve) => setTimeout(resolve, 60))
    await new Promise((resolve) => requestAnimationFrame(resolve))
    const start = performance.now()
    steps[index % steps.length]!.click()
    await Promise.resolve()
    document.body.getBoundingClientRect()
    times.push(performance.now() - start)
  }
  return times
}

/** Types into a figure of the table as a quick hand does, and says how long each key took to the layout and to the paint, ms. */
async function keystrokes(): Promise<{ layout: number[]; paint: number[] }> {
  const field = document.querySelector<HTMLInputElement>('input[aria-label^="volume of aniline"]')!
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!
  const found: { layout: number[]; paint: number[] } = { layout: [], paint: [] }
  for (let index = 0; index < 61; index++) {
    await new Promise((resolve) => setTimeout(resolve, 100))
    await new Promise((resolve) => requestAnimationFrame(resolve))
    const start = performance.now()
    set.call(field, `${4 + (index % 7) / 10} mL`)
    field.dispatchEvent(new Event('input', { bubbles: true }))
    // React writes at the end of the event, before this goes on.
    await Promise.resolve()
    document.body.getBoundingClientRect()
    found.layout.push(performance.now() - start)
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)))
    found.paint.push(performance.now() - start)
  }
  return found
}
