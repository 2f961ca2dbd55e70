import { expect, type Browser, type Page } from '@playwright/test'
import { base, made, openBench } from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()

/** Publishes the draft that is open at the Desk. */
export async function publish(page: Page): Promise<void> {
  await expect(page.getByTestId('revision')).toContainText(/draft \d+, saved/)
  await press(page, /^Publish/)
  await page.getByRole('checkbox', { name: /I have read the safety sheet/ }).check()
  await press(page, 'Publish and freeze')
  await expect(page.getByTestId('revision')).toContainText(/revision \d+/)
}

let sections = 0

/** A section of its own with so many benches, so that a session of it clashes with no other. @returns its name, which serves for a room too */
export async function ownSection(page: Page, benches: number): Promise<string> {
  const name = `Section ${process.env.TEST_PARALLEL_INDEX}-${Date.now() % 100_000}-${(sections += 1)}`
  const headers = { origin: base }
  const answer = await page.request.post(`${base}/api/courses/${made.course.id}/sections`, { data: { name }, headers })
  const { id } = (await answer.json()) as { id: string }
  const groups = Array.from({ length: benches }, (_, index) => ({
    bench: index + 1,
    names: [`One ${index + 1}`, `Two ${index + 1}`],
  }))
  const put = await page.request.put(`${base}/api/sections/${id}/groups`, { data: { groups, seen: [] }, headers })
  expect([put.status(), await put.text()]).toEqual([200, '{"ok":true}'])
  return name
}

/** Sets a session of a preparation for the whole day, for one bench. @returns its code */
export async function session(page: Page, preparation: string): Promise<string> {
  const section = await ownSection(page, 1)
  await page.goto('/class')
  await page.getByRole('link', { name: 'Set a lab session' }).click()
  await page.getByLabel('Preparation').selectOption({ label: preparation })
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('From', { exact: true }).fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 1 benches have begun')).toBeVisible()
  return (await page.locator('.cards .code').first().textContent())!
}

/**
 * Runs a preparation at a bench to its end: what is due is done, what is charged is what the plan says, and every other figure comes from the values of its step, one after the other. A step without values
 * left is ended where it can be.
 */
export async function runToTheEnd(browser: Browser, code: string, values: Record<string, string[]>): Promise<Page> {
  const bench = await openBench(browser, code)
  const face = bench.locator('.step-face')
  // What can be done now: a clock that ticks is no change.
  const standing = () =>
    bench.evaluate(() => {
      const parts = document.querySelectorAll('.step-face h1, .pad h2, .pad button, .written')
      const now = [...document.querySelectorAll('.thread li')].findIndex((item) => item.querySelector('[aria-current="step"]'))
      return [now, ...[...parts].map(({ textContent }) => textContent)].join('|')
    })
  for (let turn = 0; turn < 200; turn++) {
    const title = await face.locator('h1').innerText()
    if (title === 'All steps are done') {
      const without = bench.getByRole('button', { name: 'Show us the results without it' })
      if (await without.isVisible()) await without.click()
      return bench
    }
    const before = await standing()
    const asked = bench.getByRole('alertdialog')
    if (await asked.isVisible()) await asked.getByRole('button').last().click()
    else await enter(bench, title, values)
    await expect.poll(standing, { message: `${title} goes on`, intervals: [50, 100, 200] }).not.toBe(before)
  }
  throw new Error('The preparation does not come to its end.')
}

async function enter(bench: Page, title: string, values: Record<string, string[]>): Promise<void> {
  // Parts of a pad may come a moment after its step.
  await bench.locator('.pad .go').first().waitFor()
  const before = bench.getByRole('region', { name: 'Before it is done' })
  if (await before.isVisible()) {
    const reasons = before.getByRole('group', { name: 'Reason' })
    if (await reasons.isVisible()) await reasons.getByRole('button').first().click()
    return before.getByRole('button', { name: 'We have looked: go on' }).click()
  }
  const pad = bench.getByRole('region', { name: 'What to enter now' })
  const go = pad.locator('.go')
  const tubes = pad.locator('.tube-clocks li')
  if ((await tubes.count()) > 0) {
    for (const [index, each] of (values[title] ?? []).splice(0, await tubes.count()).entries())
      await tubes
        .nth(index)
        .getByRole('button')
        .nth(each === 'sign' ? 0 : 1)
        .click()
    return go.click()
  }
  for (const check of await pad.getByRole('checkbox').all()) await check.check()
  const fields = await pad.getByRole('textbox').all()
  const apparatus = pad.getByRole('group', { name: 'Apparatus' })
  if (await apparatus.isVisible()) await apparatus.getByRole('button').first().click()
  const planned = (await bench.locator('.amount-face b').first().isVisible())
    ? (await bench.locator('.amount-face b').first().innerText()).replace(/[^\d.]/g, '')
    : undefined
  const left = values[title] ?? []
  if (fields.length > 0 && left.length === 0 && planned === undefined)
    return pad.getByRole('button', { name: /^(It is set|No further titration|That was the last drop|Stop)/ }).click()
  for (const field of fields) await field.fill(left.shift() ?? planned ?? '1')
  await go.click()
}
