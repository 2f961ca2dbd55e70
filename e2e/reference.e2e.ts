/** Who may look things up and who may write, how it prints, and that it answers while someone types. */
import { expect, test } from '@playwright/test'
import { base, codeToday, expectAccessible, made, openBench, openDesk, owner, reader, signIn, stores } from './support'

const search = (q: string) => `/api/courses/${made.course.id}/substances?q=${encodeURIComponent(q)}`

test('everyone in the course may search; only those who write plans may bring a substance or start a preparation', async ({
  page,
  browser,
}) => {
  await signIn(page, stores)
  const found = await page.request.get(search('c7h8'))
  expect(((await found.json()) as { substances: { substance: { id: string } }[] }).substances[0]!.substance.id).toBe('toluene')
  const headers = { origin: new URL(page.url()).origin }
  const own = await page.request.post(search(''), { headers, data: { name: 'x', formula: 'CH4' } })
  expect(own.status()).toBe(403)
  const start = await page.request.post(`/api/courses/${made.course.id}/preparations`, { headers, data: { file: '{}' } })
  expect(start.status()).toBe(403)
  const elsewhere = await page.request.get('/api/courses/01KE6JQ300WMZ78F1JA0FW3PCA/substances?q=water')
  expect(elsewhere.status()).toBe(403)

  const bench = await openBench(browser, codeToday(6))
  expect((await bench.request.get(search('water'))).status()).toBe(403)
  await bench.context().close()
})

test('a draft’s files are for those who write; a published plan’s for all who read', async ({ page, browser }) => {
  const { revision } = made.preparations[3]!
  await signIn(page, reader)
  for (const file of ['plan', 'table.csv', 'structures'])
    expect((await page.request.get(`/api/revisions/${revision}/${file}`)).ok()).toBe(true)

  const other = await (await browser.newContext()).newPage()
  await signIn(other, owner, base)
  const { origin } = new URL(other.url())
  const made2 = await other.request.post(`${origin}/api/courses/${made.course.id}/preparations`, {
    headers: { origin },
    data: { file: JSON.stringify({ ...made.preparations[3]!.plan, title: 'Kept for later' }) },
  })
  const { id } = (await made2.json()) as { id: string }
  await other.goto(`${origin}/desk/${id}`)
  const link = (await other.getByRole('link', { name: 'Plan file' }).getAttribute('href'))!
  expect((await other.request.get(`${origin}${link}`)).ok()).toBe(true)
  expect((await page.request.get(link)).status()).toBe(404)
  await page.goto(`/desk/${id}`)
  await expect(page.getByRole('heading', { name: 'Kept for later' })).toHaveCount(0)
  await page.goto('/desk')
  await expect(page.getByRole('link', { name: 'Kept for later' })).toHaveCount(0)
  await other.context().close()
})

test('a search is answered while someone types, and an answer that comes late is not shown', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  await page.route('**/substances?q=ace', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700))
    await route.continue()
  })
  const field = page.getByRole('combobox', { name: 'Add a substance: name or formula' })
  await field.fill('ace')
  await field.fill('acetone')
  const first = page.locator('.picker [role=option]:visible').first()
  await expect(first).toContainText('acetone')
  await page.waitForTimeout(900)
  await expect(first).toContainText('acetone')
  await field.press('Escape')
  await expect(page.locator('.picker [role=option]:visible')).toHaveCount(0)
  await page.route('**/substances?q=tol', (route) => route.abort())
  await field.fill('tol')
  await expect(page.getByText('The server cannot be reached')).toBeVisible()
  await expect(field).toHaveValue('tol')
})

test('no starting material, no product, no title: each is asked for, and what was typed stays', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/desk')
  await page.getByRole('link', { name: 'New preparation' }).click()
  const write = page.getByRole('button', { name: 'Write this preparation' })
  const problem = page.locator('.problem[role=alert]')
  await write.click()
  await expect(problem).toHaveText('Give the preparation a title.')
  await page.getByLabel('Title').fill('A half one')
  await write.click()
  await expect(problem).toHaveText('Choose what it starts from.')
  await page.getByRole('combobox', { name: /It starts from/ }).fill('benzal')
  await page.locator('.picker [role=option]:visible').first().click()
  await expect(page.getByText('benzaldehyde, 106.12 g/mol')).toBeVisible()
  await write.click()
  await expect(problem).toHaveText('Choose what it makes.')
  await expect(page.getByLabel('Title')).toHaveValue('A half one')
  await expectAccessible(page)
  await page.getByRole('combobox', { name: /It makes/ }).fill('benzoin')
  await page.locator('.picker [role=option]:visible').first().click()
  await write.dblclick()
  await expect(page.getByRole('heading', { name: 'A half one', level: 1 })).toBeVisible()
  await page.goto('/desk')
  await expect(page.getByRole('link', { name: 'A half one' })).toHaveCount(1)
})

test('the safety sheet prints without the frame, on white, with its pictograms', async ({ page }) => {
  await signIn(page, reader)
  await openDesk(page, 'Methyl 3-nitrobenzoate')
  await page.getByRole('link', { name: 'Safety sheet' }).click()
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.bench-top')).toBeHidden()
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('img', { name: 'GHS03, oxidising' })).toBeVisible()
  await expect(page.getByText('Above 15 °C a second group enters')).toBeVisible()
})

test('a record that is not there, and the whole list on a narrow screen', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await signIn(page, reader)
  await page.goto('/reference?substance=phlogiston')
  await expect(page.getByText('There is no record “phlogiston”.')).toBeVisible()
  await expect(page.locator('.found li')).toHaveCount(200)
  await page.goto('/reference?substance=methyl-orange')
  await expect(page.getByRole('article').getByRole('heading', { name: 'methyl orange' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
  await expectAccessible(page)
})
