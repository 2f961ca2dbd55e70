/** Who may look things up and who may write, how it prints, and that it answers while someone types. */
import { expect, test } from '@playwright/test'
import { base, codeToday, expectAccessible, leave, made, openBench, openDesk, owner, reader, signIn, stores } from './support'

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
  const drawing = (smiles: string) =>
    `/api/courses/${made.course.id}/substances/drawing?name=x&smiles=${encodeURIComponent(smiles)}`
  expect((await page.request.get(drawing('CCO'))).status()).toBe(403)
  const start = await page.request.post(`/api/courses/${made.course.id}/preparations`, { headers, data: { file: '{}' } })
  expect(start.status()).toBe(403)
  const elsewhere = await page.request.get('/api/courses/01KE6JQ300WMZ78F1JA0FW3PCA/substances?q=water')
  expect(elsewhere.status()).toBe(403)

  const bench = await openBench(browser, codeToday(6))
  expect((await bench.request.get(search('water'))).status()).toBe(403)
  expect((await bench.request.get(drawing('CCO'))).status()).toBe(403)
  await leave(bench)

  // Who writes has a structure drawn; what is none has no picture, and that is no fault.
  const author = await (await browser.newContext()).newPage()
  await signIn(author, owner, base)
  const of = async (smiles: string) =>
    ((await (await author.request.get(`${base}${drawing(smiles)}`)).json()) as { drawing: string | null }).drawing
  expect(await of('CCO')).toContain('aria-label="Structure of x"')
  expect(await of('nothing of the kind')).toBeNull()
  expect(await of('')).toBeNull()
  await leave(author)
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
  await leave(other)
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

test('a record that is not there, and the whole list on a narrow screen', { tag: '@all' }, async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await signIn(page, reader)
  await page.goto('/reference?substance=phlogiston')
  await expect(page.getByText('There is no record “phlogiston”.')).toBeVisible()
  await expect(page.locator('.found li')).toHaveCount(375)
  await page.goto('/reference?substance=methyl-orange')
  await expect(page.getByRole('article').getByRole('heading', { name: 'methyl orange' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
  await expectAccessible(page)
})

test('the owner notes that a value was compared with its source; everybody reads who and when, and only the owner may tick', async ({
  page,
  browser,
}) => {
  await signIn(page, owner)
  await page.goto('/reference?substance=cyclohexanol')
  const row = page.getByRole('row', { name: /^boils/ })
  await expect(row).toContainText('not yet compared with it')
  const tick = row.getByRole('checkbox')
  await tick.check()
  await expect(row).toContainText(/compared with it by .+, \d{4}-\d\d-\d\d/)
  await page.reload()
  await expect(row.getByRole('checkbox')).toBeChecked()

  const other = await (await browser.newContext()).newPage()
  await signIn(other, reader, base)
  await other.goto(`${new URL(other.url()).origin}/reference?substance=cyclohexanol`)
  await expect(other.getByRole('row', { name: /^boils/ })).toContainText('compared with it by')
  await expect(other.getByRole('row', { name: /^density/ })).toContainText('not yet compared with it')
  await expect(other.getByRole('checkbox')).toHaveCount(0)
  const { origin } = new URL(other.url())
  const data = { record: 'cyclohexanol', what: 'density', compared: true }
  expect((await other.request.put(`/api/courses/${made.course.id}/compared`, { headers: { origin }, data })).status()).toBe(403)
  await leave(other)

  const own = { headers: { origin: new URL(page.url()).origin } }
  const nothing = { record: 'cyclohexanol', what: 'beauty', compared: true }
  expect((await page.request.put(`/api/courses/${made.course.id}/compared`, { ...own, data: nothing })).status()).toBe(404)
  // What a plan takes from the record says so as well.
  const found = await page.request.get(search('cyclohexanol'))
  const { substances } = (await found.json()) as { substances: { substance: { boiling: { source: string } } }[] }
  expect(substances[0]!.substance.boiling.source).toMatch(/compared with it by/)
  await row.getByRole('checkbox').uncheck()
  await expect(row).toContainText('not yet compared with it')
})

test('a mistyped name is met with the nearest ones, and Enter takes none of them unseen', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/reference')
  const find = page.getByRole('searchbox', { name: 'Find a substance by any name or formula' })
  await find.fill('benzaldehide')
  await expect(page.getByText('Nothing is called “benzaldehide”. Is it one of these?')).toBeVisible()
  await expect(page.getByRole('link', { name: 'benzaldehyde', exact: true })).toBeVisible()
  await openDesk(page, 'Benzoin')
  const field = page.getByRole('combobox', { name: 'Add a substance: name or formula' })
  await field.fill('benzaldehide')
  await expect(page.getByText('Nothing is called that. Is it one of these?')).toBeVisible()
  await field.press('Enter')
  // What is chosen first is to write it by hand.
  await expect(page.getByRole('dialog', { name: 'A substance of your own' })).toBeVisible()
})

test('stock solutions are worked out for a volume, with their label; a volume that is none is said and kept', async ({
  page,
}) => {
  await signIn(page, stores)
  await page.goto('/reference/solutions')
  await expectAccessible(page)
  const volume = page.getByLabel('To make, mL')
  await volume.fill('1000')
  await volume.press('Enter')
  await page.getByLabel('Find a solution').fill('hydroxide, 10')
  const row = page.getByRole('row', { name: /^sodium hydroxide, 10 %/ })
  await expect(row).toContainText('110.9 g')
  await expect(row).toContainText('H314')
  await expect(row).toContainText('by the concentration limits of the regulation')
  await page.getByLabel('Find a solution').fill('hydrochloric acid, 1 mol')
  await expect(page.getByRole('row', { name: /^hydrochloric acid, 1 mol/ })).toContainText('no statement')
  await volume.fill('much')
  await volume.press('Enter')
  await expect(page.locator('.problem[role=alert]')).toContainText('Write a volume up to 20000 mL')
  await expect(volume).toHaveValue('much')
})

test('brine comes into a plan at its strength; what a substance of one’s own does to others is asked and said', async ({
  page,
}) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzil')
  const field = page.getByRole('combobox', { name: 'Add a substance: name or formula' })
  await field.fill('brine')
  await page.getByRole('option', { name: /^brine/ }).click()
  await page
    .getByRole('button', { name: /Start a draft|Change it/ })
    .click({ timeout: 3000 })
    .catch(() => undefined)
  await expect(page.getByText(/26 % w\/w solution/).first()).toBeVisible()

  await field.fill('wonder salt')
  await page.getByRole('option', { name: /of your own|by hand|wonder salt/ }).click()
  const dialog = page.getByRole('dialog', { name: 'A substance of your own' })
  await dialog.getByRole('textbox', { name: 'Formula' }).fill('C9H10O3')
  await dialog.getByRole('button', { name: 'Look at it' }).click()
  await dialog.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByText('What does wonder salt do to others?')).toBeVisible()
})

test('a scratch sheet: two aldehydes to one benzoin, its yield, a dilution; kept over a reload, undone, and made a preparation of', async ({
  page,
}) => {
  await signIn(page, owner)
  await page.goto('/reference/scratch')
  await expect(page.getByText('Add what goes in, then what comes out.')).toBeVisible()
  const field = page.getByRole('combobox', { name: 'Add a substance: name or formula' })
  await field.fill('benzaldehyde')
  await page.getByRole('option', { name: /^benzaldehyde/ }).click()
  await field.fill('benzoin')
  await page
    .getByRole('option', { name: /^benzoin/ })
    .first()
    .click()
  await expect(page.getByText('M(benzaldehyde) = 106.12 g/mol; M(benzoin) = 212.25 g/mol')).toBeVisible()
  const coefficient = page.getByRole('textbox', { name: /coefficient of benzaldehyde/i })
  await coefficient.fill('2')
  await coefficient.press('Enter')
  const volume = page.getByRole('textbox', { name: /volume.*benzaldehyde|benzaldehyde.*volume/i })
  await volume.fill('5.00 mL')
  await volume.press('Enter')
  await expect(page.getByText(/Theoretical yield 5\.2\d? g/)).toBeVisible()
  await page.getByLabel('Got, g').fill('4.21')
  await expect(page.getByText(/^: 8\d\.\d %/)).toBeVisible()
  await page.getByLabel('Got, g').fill('a lot')
  await expect(page.getByText('Write a mass in grams, such as 4.21.')).toBeVisible()

  await page.getByLabel(/strength wanted/).fill('1')
  await page.getByLabel('volume, mL').fill('250')
  await page.getByLabel(/made from/).fill('6')
  await expect(page.getByText('Take 41.7 mL of the 6 mol/L solution and make it up to 250 mL.')).toBeVisible()
  await page.getByLabel(/made from/).fill('0.5')
  await expect(page.getByText('0.50 mol/L is not stronger than 1 mol/L.')).toBeVisible()
  await expectAccessible(page)

  await page.reload()
  await expect(page.getByText(/Theoretical yield 5\.2\d? g/)).toBeVisible()
  await page.getByRole('button', { name: 'Clear the sheet' }).click()
  await expect(page.getByText('Add what goes in, then what comes out.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/Theoretical yield 5\.2\d? g/)).toBeVisible()
  await page.getByRole('button', { name: 'Make a preparation of it' }).click()
  await expect(page.getByText('Give the preparation a title.')).toBeVisible()
  await page.getByLabel('Title').fill('From the scratch sheet')
  await page.getByRole('button', { name: 'Make a preparation of it' }).click()
  await expect(page).toHaveURL(/\/desk\/[0-9A-Z]{26}/)
  await expect(page.getByRole('heading', { name: 'From the scratch sheet' })).toBeVisible()
})
