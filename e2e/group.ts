import { expect, type Browser, type Page } from '@playwright/test'
import { openBench } from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()

/** Publishes the draft that is open at the Desk. */
export async function publish(page: Page): Promise<void> {
  await expect(page.getByTestId('revision')).toContainText(/draft \d+, saved/)
  await press(page, /^Publish/)
  await page.getByRole('checkbox', { name: /I have read the safety sheet/ }).check()
  await press(page, 'Publish and freeze')
  await expect(page.getByTestId('revision')).toContainText(/revision \d+/)
}

/** Sets a session of a preparation for the whole day, for the first bench alone. @returns its code */
export async function session(page: Page, preparation: string): Promise<string> {
  await page.goto('/class')
  await page.getByRole('link', { name: 'Set a lab session' }).click()
  await page.getByLabel('Preparation').selectOption({ label: preparation })
  await page.getByLabel('Section').selectOption('Section B')
  await page.getByLabel('From').fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  for (const bench of [2, 3, 4, 5, 6, 7, 8]) await page.getByLabel(`Bench ${bench} takes part`).uncheck()
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
    if (title === 'All steps are done') return bench
    const before = await standing()
    const asked = bench.getByRole('alertdialog')
    if (await asked.isVisible()) await asked.getByRole('button').last().click()
    else await enter(bench, title, values)
    await expect.poll(standing, { message: `${title} goes on`, intervals: [50, 100, 200] }).not.toBe(before)
  }
  throw new Error('The preparation does not come to its end.')
}

async function enter(bench: Page, title: string, values: Record<string, string[]>): Promise<void> {
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
