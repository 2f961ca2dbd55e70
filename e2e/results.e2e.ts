import { expect, test } from '@playwright/test'
import Papa from 'papaparse'
import { readFileSync } from 'node:fs'
import { demonstrator, made, owner, signIn } from './support'

const finished = made.sessions[0]!

test('results: pictures with the table behind them, ± on request, CSV that opens clean', async ({ page }) => {
  await signIn(page, owner)
  await page.getByRole('link', { name: /results of Acetanilide/ }).click()
  await expect(page.locator('.sums')).toContainText('73 %')
  await expect(page.locator('.recharts-surface')).toHaveCount(3)
  const wet = page.locator('tr[data-bench="3"]')
  await expect(wet).toContainText('107%')
  await expect(wet).toContainText('wet')
  await expect(page.locator('tr[data-bench="7"]')).toContainText('37.4 mmolacetic anhydride')
  await expect(page.locator('tr[data-bench="7"]')).toContainText('not the plan’s')
  await page.getByRole('button', { name: 'Show ±' }).click()
  await expect(page.locator('tr[data-bench="1"]')).toContainText('4.41 ± 0.01g')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'CSV' }).click()])
  expect(download.suggestedFilename()).toMatch(/^acetanilide-section-a-\d{4}-\d{2}-\d{2}\.csv$/)
  const text = readFileSync(await download.path(), 'utf8')
  const rows = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, '').trimEnd(), { header: true }).data
  expect(rows).toHaveLength(32)
  const fifth = rows.filter(({ bench }) => bench === '5')
  expect(fifth.map((row) => [row.result, row.after, row.of])).toEqual([
    ['yield', 'crude', 'theory from aniline'],
    ['yield', 'purified', 'theory from aniline'],
    ['recovery', 'purified', 'crude product'],
    ['melting range', 'purified', ''],
  ])
  expect(fifth[1]).toMatchObject({ group: 'Eklund, Farouk', 'mass (g)': '2.020', value: '34.4', unit: '%' })
})

for (const [paper, width] of [
  // The paper lies across: its long side less two margins of 14 mm, at 96 to the inch.
  ['A4', 1016],
  ['Letter', 950],
] as const)
  test(`results print on ${paper}: the last column stands whole on the paper, and nothing that is for pressing`, async ({
    page,
  }) => {
    await signIn(page, owner)
    await page.getByRole('link', { name: /results of Acetanilide/ }).click()
    await expect(page.locator('.recharts-surface')).toHaveCount(3)
    await page.emulateMedia({ media: 'print' })
    await page.setViewportSize({ width, height: 700 })
    const cut = () =>
      page
        .locator('th, td')
        .evaluateAll((cells) => cells.filter((each) => each.getBoundingClientRect().right > window.innerWidth + 0.5).length)
    await expect.poll(cut).toBe(0)
    await expect(page.getByRole('button', { name: 'Show ±' })).toBeHidden()
    await expect(page.getByRole('link', { name: 'CSV' })).toBeHidden()
    const pdf = (await page.pdf({ format: paper, preferCSSPageSize: true, printBackground: true })).toString('latin1')
    const [, wide, high] = /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)/.exec(pdf)!
    expect(Number(wide)).toBeGreaterThan(Number(high))
    // The table and its words on two pages, the pictures behind them whole on three more.
    expect(pdf.match(/\/Type\s*\/Page\b/g)!.length).toBeLessThanOrEqual(5)
  })

test('a run stands as a page for good: what was taken, every entry with its hand, what was struck, signatures, results', async ({
  page,
}) => {
  await signIn(page, demonstrator)
  await page.goto(`/class/${finished.id}`)
  await page.getByRole('link', { name: 'Brandt, Osei' }).click()
  await expect(page.getByRole('heading', { name: 'Acetanilide, bench 2' })).toBeVisible()
  const taken = page.getByRole('row', { name: /^aniline/ })
  await expect(taken).toContainText('4.00 mL')
  await expect(taken).toContainText('4.056 g')
  const charge = page.getByRole('region', { name: 'Charge aniline' })
  await expect(charge).toContainText('Wrote 17 for 27')
  await expect(charge.locator('s').first()).toContainText('17.474 g')
  await expect(charge).toContainText('Bench 2')
  await expect(charge).toContainText('Signed by Noor Haddad')
  await expect(charge.getByRole('button')).toHaveCount(0)
  await expect(page.getByText('Consistent with pure').first()).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Acetanilide, bench 2' })).toBeVisible()
  // A run of another session is not read under this one.
  expect((await page.goto(`/class/${finished.id}/${made.sessions[1]!.runs[0]!.id}`))!.status()).toBe(404)
})
