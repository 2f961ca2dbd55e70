import { expect, test } from '@playwright/test'
import Papa from 'papaparse'
import { readFileSync } from 'node:fs'
import { owner, signIn } from './support'

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
  expect(rows).toHaveLength(24)
  const fifth = rows.filter(({ bench }) => bench === '5')
  expect(fifth.map((row) => [row.percentage, row.after, row.of])).toEqual([
    ['yield', 'crude', 'theory from aniline'],
    ['yield', 'purified', 'theory from aniline'],
    ['recovery', 'purified', 'crude product'],
  ])
  expect(fifth[1]).toMatchObject({ group: 'Eklund, Farouk', 'mass (g)': '2.020', 'value (%)': '34.4' })
})
