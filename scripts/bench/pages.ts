import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Plan } from '@/core/plan/plan'
import type { college } from '@/demo/college'
import { home } from '../home'
import { ensurePackages } from '../packages'
import { serve } from '../serve'
import { median, percentile, report, rounds } from './figures'
import { acetanilide, longPlan } from './longPlan'

/** What the bench and the Desk cost in a browser: the first script, a tap, a keystroke, a long plan that is opened. */
export async function benchPages(app: Parameters<typeof serve>[0], made: ReturnType<typeof college>): Promise<void> {
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
      `${acetanilide.steps.length} steps`,
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
    const writtenIn = async (begin: () => Promise<unknown>) => {
      const start = performance.now()
      await begin()
      await desk.getByLabel('volume of aniline').first().click()
      return performance.now() - start
    }
    const opened = (id: string) => writtenIn(() => desk.goto(`${served.address}/desk/${id}`, { waitUntil: 'commit' }))
    // As people do it: by its title in the list.
    const chosen = async (id: string) => {
      await desk.goto(`${served.address}/desk`, { waitUntil: 'load' })
      const title = desk.locator(`a[href="/desk/${id}"]`).first()
      await title.waitFor()
      await desk.waitForTimeout(500)
      return writtenIn(() => title.click())
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
    const size100 = `${longer.lines.length} lines, ${longer.steps.length} steps`
    const times100 = async (how: (id: string) => Promise<number>) => {
      const found: number[] = []
      for (let round = 0; round < rounds; round++) found.push(await how(id))
      return median(found)
    }
    report('a plan opened from the list until it is written in', await times100(chosen), 'ms', size100, `median of ${rounds}`)
    report(
      'the same, loaded anew over itself',
      await times100(opened),
      'ms',
      size100,
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
