/** What a code opens and for how long, what can be struck, and what a page offers where something is not as it should be. */
import { expect, test, type Page } from '@playwright/test'
import { base, codeToday, made, openBench, openDesk, owner, signIn } from './support'

const [finished, on] = made.sessions as [(typeof made.sessions)[0], (typeof made.sessions)[0]]
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()

test('a code for reading opens a book that nobody writes in any more', async ({ browser }) => {
  const run = finished.runs[0]!
  const bench = await openBench(browser, run.readCode!)
  await expect(bench.getByText(', to read')).toBeVisible()
  await press(bench, /^Charge aniline/)
  await expect(bench.locator('.wrote .written').first()).toBeVisible()
  await expect(bench.getByRole('button', { name: /^Strike/ })).toHaveCount(0)
  await expect(bench.getByRole('textbox')).toHaveCount(0)
  const answer = await bench.request.post(`/api/runs/${run.id}/entries`, {
    data: { entries: [run.entries[0]], sentAt: new Date().toISOString() },
    headers: { origin: base },
  })
  expect(answer.status()).toBe(403)
  await bench.context().close()
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
  await bench.context().close()
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
  await bench.context().close()
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
  await bench.context().close()
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
  await page.getByLabel('Preparation').selectOption({ label: 'Acetanilide, revision 1' })
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

test('a phone shows what each bench does now, and the grid behind a button', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 })
  await signIn(page, owner)
  await page.goto(`/class/${on.id}`)
  await expect(page.getByRole('region', { name: 'Benches now' }).getByRole('listitem')).toHaveCount(8)
  await expect(page.getByRole('table')).toBeHidden()
  await press(page, 'All steps of all benches')
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
