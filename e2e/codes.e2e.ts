/** What a code opens and for how long, what can be struck, and what a page offers where something is not as it should be. */
import { expect, test, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { defaultLab } from '../src/core/lab/lab'
import { base, choosePreparation, codeToday, leave, made, openBench, openDesk, owner, signIn } from './support'

const [finished, on] = made.sessions as [(typeof made.sessions)[0], (typeof made.sessions)[0]]
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()

test('a code for reading opens a book that nobody writes in any more', async ({ browser }) => {
  const run = finished.runs[0]!
  const bench = await openBench(browser, run.readCode!)
  await expect(bench.getByText('Bench 1, to read')).toBeVisible()
  await press(bench, /^Charge aniline/)
  await expect(bench.locator('.wrote .written').first()).toBeVisible()
  await expect(bench.getByRole('button', { name: /^Strike/ })).toHaveCount(0)
  await expect(bench.getByRole('textbox')).toHaveCount(0)
  const answer = await bench.request.post(`/api/runs/${run.id}/entries`, {
    data: { entries: [run.entries[0]], sentAt: new Date().toISOString() },
    headers: { origin: base },
  })
  expect(answer.status()).toBe(403)
  await leave(bench)
})

test('a press and a step that was called done are struck like a reading, and the step opens again', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(2))
  await press(bench, /^Safety read/)
  await press(bench, /^Strike /)
  await press(bench, 'Strike it')
  await expect(bench.locator('.pad [role=alert]')).toContainText('Give the reason')
  await bench.getByLabel('Reason in your words').fill('Pressed at the wrong bench')
  await press(bench, 'Strike it')
  await press(bench, /^Safety read/)
  await expect(bench.locator('.wrote')).toContainText('struck: Pressed at the wrong bench')
  await press(bench, 'We have read this')
  await expect(bench.locator('.step-face h1')).not.toHaveText('Safety read')
  // A tablet that is closed with an entry on the way would leave the next test a step that is open.
  await expect(bench.getByRole('status').first()).toContainText('in the book')
  await leave(bench)
})

test('what the book does not take stays on the tablet with the reason, until somebody lets it go', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(2))
  await bench.route('**/entries', async (route) => {
    if (route.request().method() !== 'POST') return route.continue()
    const { entries } = route.request().postDataJSON() as { entries: { id: string }[] }
    await route.fulfill({ json: { entries: [], refused: entries.map(({ id }) => ({ id, why: 'No such slot in this step.' })) } })
  })
  await press(bench, /^Safety read/)
  await press(bench, /^Strike /)
  await bench.getByLabel('Reason in your words').fill('Once more')
  await press(bench, 'Strike it')
  const refused = bench.getByRole('alert', { name: 'Not taken into the book' })
  await expect(refused).toContainText('No such slot in this step.')
  await bench.reload()
  await expect(refused).toContainText('One entry is not in the book')
  await leave(bench)
})

test('a new code closes what was open with the old one', async ({ browser, page }) => {
  const bench = await openBench(browser, codeToday(2))
  await signIn(page, owner)
  await page.goto(`/class/${on.id}`)
  await press(page, 'New code for bench 2')
  const card = page.locator('.cards li').nth(1)
  await expect(card).not.toContainText(codeToday(2))
  const code = (await card.locator('.code').textContent())!
  await bench.reload()
  await expect(bench.getByLabel('Bench code')).toBeVisible()
  await bench.getByLabel('Bench code').fill(codeToday(2))
  await bench.keyboard.press('Enter')
  await expect(bench.getByText('No bench has this code')).toBeVisible()
  await leave(bench)
  await (await openBench(browser, code)).context().close()
  // Later tests know the bench by the code that it was seeded with.
  made.sessions[1]!.runs[1]!.code = code
})

test('a draft is discarded after a second question, and the published revision stands', async ({ page }) => {
  await signIn(page, owner)
  const { plan, id, revision } = made.preparations.at(-1)!
  const started = await page.request.post(`/api/preparations/${id}/drafts`, {
    headers: { origin: base },
    data: { from: revision, plan: { ...plan, aim: 'An aim that goes away' } },
  })
  expect(started.ok()).toBe(true)
  await openDesk(page, plan.title)
  await expect(page.getByTestId('revision')).toContainText('draft')
  await press(page, 'Discard this draft')
  await press(page, 'Keep it')
  await press(page, 'Discard this draft')
  await press(page, 'Discard it')
  await expect(page.getByTestId('revision')).toContainText('published, frozen')
  await expect(page.getByText('An aim that goes away')).toHaveCount(0)
})

test('a group whose scale the vessels do not bear is told so before the session is set', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/class/new')
  await choosePreparation(page, 'Acetanilide')
  await expect(page.locator('.scale-doubt')).toHaveCount(0)
  await page.getByLabel('Scale of bench 1').fill('15')
  await expect(
    page
      .locator('tr', { has: page.getByLabel('Scale of bench 1') })
      .locator('.scale-doubt')
      .first(),
  ).toBeVisible()
  await page.getByLabel('Scale of bench 1').fill('1')
  await expect(page.locator('.scale-doubt')).toHaveCount(0)
})

test('a phone shows every bench, who is late first, and the grid behind a button', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 })
  await signIn(page, owner)
  await page.goto(`/class/${on.id}`)
  const benches = page.getByRole('region', { name: 'Benches now' }).getByRole('listitem')
  await expect(page.getByRole('button', { name: 'All steps of all benches' })).toBeVisible()
  await expect(benches).toHaveCount(8)
  const late = (await benches.allInnerTexts()).map((text) => /over time|behind the plan|late:/.test(text))
  expect(late).toContain(true)
  // Who is in time stands after all who are not.
  expect(late).toEqual(late.toSorted((a, b) => Number(b) - Number(a)))
  await expect(page.getByRole('table')).toBeHidden()
  await press(page, 'All steps of all benches')
  await expect(benches).toHaveCount(8)
  await expect(page.getByRole('table')).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
})

test('the laboratory says for how long benches still write, and refuses nonsense', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/reference/laboratory')
  const field = page.getByLabel('minutes after its end')
  await expect(field).toHaveValue('30')
  await field.fill('45')
  await page.keyboard.press('Tab')
  await expect(page.getByText('Written. Every planner follows from now on.')).toBeVisible()
  await page.reload()
  await expect(field).toHaveValue('45')
  await field.fill('9000')
  await page.keyboard.press('Tab')
  await page.reload()
  await expect(field).toHaveValue('45')
})

test('what a tablet wrote before its session closed still comes in afterwards', async ({ browser, playwright }) => {
  const { second } = made
  const owns = await playwright.request.newContext({ baseURL: base, extraHTTPHeaders: { origin: base } })
  const { signIn: name, password } = second.person
  expect((await owns.post('/api/sign-in', { data: { signIn: name, password } })).status()).toBe(200)
  let lab = defaultLab
  const grace = async (graceMin: number) => {
    const data = { value: { ...lab, graceMin }, over: [lab] }
    expect((await owns.put(`/api/courses/${second.ids.course}/lab`, { data })).status()).toBe(200)
    lab = data.value
  }
  const bench = await openBench(browser, second.lateCode)
  // The network goes, something is written, and the benches close before it is back.
  await bench.route('**/entries', (route) => route.abort())
  const hour = 3_600_000
  await bench.clock.setSystemTime(Date.now() - hour)
  await press(bench, 'We have read this')
  await expect(bench.getByRole('status').first()).toContainText('kept on this tablet')
  await grace(0)
  await bench.reload()
  await expect(bench.getByRole('heading', { name: 'This session is over' })).toBeVisible()
  await expect(bench.getByText('One entry is on the way to the book')).toBeVisible()
  await bench.unroute('**/entries')
  await bench.clock.setSystemTime(Date.now())
  await bench.reload()
  await expect(bench.getByText('Nothing is left on this tablet.')).toBeVisible()
  const book = await owns.get(`/api/sessions/${second.ids.ended}/results.csv`)
  expect(book.status()).toBe(200)
  await grace(30)
  await bench.reload()
  await press(bench, /^Safety read/)
  await expect(bench.locator('.wrote .written').first()).toBeVisible()
  await leave(bench)
  await owns.dispose()
})

test('a draft that cannot be read says so, leaves the rest alone, is kept as a file and taken out by its owner', async ({
  page,
}) => {
  const { second } = made
  await signIn(page, second.person)
  await page.goto(`/desk/${second.ids.broken}`)
  await expect(page.locator('p[role=alert]')).toContainText('This draft cannot be read')
  for (const part of ['safety', 'handout']) {
    await page.goto(`/desk/${second.ids.broken}/${part}`)
    await expect(page.locator('p[role=alert]')).toContainText('This draft cannot be read')
  }
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Keep it as a file' }).click()])
  expect(readFileSync(await file.path(), 'utf8')).toBe('{"format":"mozle-plan","version":')
  await page.goto('/')
  await page.getByLabel('Course').selectOption({ label: 'Organic laboratory II' })
  await expect(page.getByText('A damaged one cannot be read')).toBeVisible()
  await page.getByRole('link', { name: 'Desk', exact: true }).click()
  const row = page.getByRole('listitem').filter({ hasText: 'A damaged one' })
  await expect(row).toContainText('This cannot be read')
  await row.getByRole('link').click()
  await press(page, 'Discard this draft')
  await expect(page).toHaveURL(/\/desk$/)
  await expect(page.getByRole('link', { name: 'A damaged one' })).toHaveCount(0)
})

test('a new preparation: Enter before the list has come waits for it, and sends nothing', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/desk/new')
  await page.getByLabel('Title').fill('Waits for the list')
  await page.route('**/substances?*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500))
    await route.continue()
  })
  const start = page.getByRole('combobox').first()
  await start.fill('aniline')
  await start.press('Enter')
  await expect(page).toHaveURL(/\/desk\/new$/)
  await expect(page.getByText('Aniline', { exact: true }).or(page.locator('input[value="aniline"]')).first()).toBeVisible({
    timeout: 10_000,
  })
  await expect(page).toHaveURL(/\/desk\/new$/)
})
