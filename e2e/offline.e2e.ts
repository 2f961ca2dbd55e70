/** A bench without the network: it reloads, restarts, goes on for long, and everything arrives. */
import { mkdtempSync } from 'node:fs'
import { join } from 'node:path'
import { chromium, expect, test, type Page } from '@playwright/test'
import config from './playwright.config'
import { session } from './group'
import { base, owner, signIn, tablet } from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = (page: Page) => page.locator('.step-face h1')
const inBook = (page: Page) => page.getByRole('status').first()

/** A tablet whose browser can be closed and started again with all that it keeps. */
const folder = () => mkdtempSync(join(process.env.TMPDIR ?? '/tmp', 'mozle-tablet-'))
const start = (at: string) =>
  chromium.launchPersistentContext(at, { ...config.use?.launchOptions, viewport: tablet, baseURL: base, hasTouch: true })

test('the page opens, reloads and restarts without the network; what was written for hours arrives, once', async ({ page }) => {
  test.setTimeout(180_000)
  await signIn(page, owner)
  const code = await session(page, 'Acetanilide, revision 1')
  const board = page.url()
  const at = folder()
  let context = await start(at)
  let bench = await context.newPage()
  await bench.goto('/bench')
  await bench.getByLabel('Bench code').fill(code)
  await press(bench, 'Open our bench')
  await press(bench, 'We have read this')
  await expect(inBook(bench)).toContainText('one entry in the book')
  await expect(bench.getByRole('region', { name: 'Without the network' })).toContainText(
    'opens and reloads without the network',
    {
      timeout: 30_000,
    },
  )
  // From here the tablet hears nothing.
  await context.setOffline(true)
  for (const check of await bench.getByRole('checkbox').all()) await check.check()
  await press(bench, 'All of it checked')
  await expect(title(bench)).toHaveText('Charge aniline')
  await bench.reload()
  await expect(title(bench)).toHaveText('Charge aniline')
  await expect(bench.locator('.thread .done')).toHaveCount(2)
  await expect(inBook(bench)).toContainText('kept on this tablet')
  // Parts of later steps are there though nothing of them was shown yet: a panel, a figure, a chart.
  await press(bench, 'Write what we see')
  const seen = bench.getByRole('region', { name: 'What we see' })
  for (let hour = 0; hour < 12; hour++) {
    if (hour > 0) await press(bench, 'Write what we see')
    await seen.getByLabel('What we see, in our words').fill(`hour ${hour + 1}`)
    await seen.getByRole('button', { name: 'Write it down' }).click()
  }
  await expect(bench.locator('.written').filter({ hasText: 'Seen' })).toHaveCount(12)
  await expect(inBook(bench)).toContainText('13 kept on this tablet')
  await context.close()
  // The tablet is started again, still without the network.
  context = await start(at)
  await context.setOffline(true)
  bench = await context.newPage()
  await bench.goto('/bench')
  await expect(title(bench)).toHaveText('Charge aniline')
  await expect(bench.locator('.written').filter({ hasText: 'Seen' })).toHaveCount(12)
  await press(bench, 'Our vessels')
  await bench.getByLabel('What is believed to be in it').fill('aniline')
  await press(bench, 'Set it aside')
  await expect(inBook(bench)).toContainText('14 kept on this tablet')
  // The network comes back: all of it arrives, in order and once.
  await context.setOffline(false)
  await expect(inBook(bench)).toContainText('all 15 entries in the book', { timeout: 30_000 })
  await page.goto(board)
  await page.getByRole('link', { name: /One 1/ }).first().click()
  const hours = page.locator('.written').filter({ hasText: 'hour ' })
  await expect(hours).toHaveCount(12)
  expect((await hours.allInnerTexts()).map((each) => /hour (\d+)/.exec(each)![1]).map(Number)).toEqual([
    1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12,
  ])
  await expect(page.locator('.written').filter({ hasText: 'In A' })).toHaveCount(1)
  // A bench that is left is no longer kept.
  await press(bench, 'Leave')
  await expect(bench.getByLabel('Bench code')).toBeVisible()
  await context.setOffline(true)
  await expect(bench.goto('/bench')).rejects.toThrow(/ERR_INTERNET_DISCONNECTED|ERR_FAILED/)
  await context.close()
})
