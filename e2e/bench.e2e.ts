import { expect, test, type Page } from '@playwright/test'
import { session } from './group'
import { codeToday, expectAccessible, leave, made, openBench, owner, signIn, writeReading } from './support'

/** What goes wrong at a bench, and how it is said. These benches are not used by other tests' steps. */
test.describe.configure({ mode: 'serial' })

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = (page: Page) => page.locator('.step-face h1')

test('a bench far ahead: nonsense is refused, water is written, a step ahead says what comes first', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(8))
  await expect(title(bench)).toHaveText('Crystallise')
  const field = bench.getByRole('textbox')
  for (const [typed, words] of [
    ['', 'Nothing is entered'],
    ['much', 'not a number'],
    ['-5', 'below zero'],
    ['1.2.3', 'two ways'],
  ] as const) {
    await field.fill(typed)
    await press(bench, 'Write it down')
    await expect(bench.locator('.pad [role=alert]')).toContainText(words)
    await expect(field).toHaveValue(typed)
  }
  await press(bench, /^Melt/)
  await expect(bench.getByText('Cannot yet: first crystallise.')).toBeVisible()
  await expect(bench.getByText('Nothing to enter yet')).toBeVisible()
  await press(bench, 'Back to what is now')
  await field.fill('118')
  await bench.keyboard.press('Enter')
  await expect(bench.locator('.wrote')).toContainText('118 mL')
  await expect(bench.locator('.wrote')).toContainText('in the book')
  await press(bench, 'Crystals are out')
  await press(bench, 'Start the clock')
  await press(bench, 'It is over')
  await press(bench, 'It is over')
  await press(bench, 'Done')
  await leave(bench)
})

test('drying: above theory is asked about, stopping early is marked wet, and the class reads it so', async ({
  browser,
  page,
}) => {
  const bench = await openBench(browser, codeToday(8))
  await expect(title(bench)).toHaveText('Dry, weigh twice')
  await writeReading(bench, '31.20')
  // Scale 1.2: theory 7.05 g.
  await writeReading(bench, '39.00')
  await expect(bench.getByRole('alertdialog')).toContainText('7.80 g is 111 % of the theoretical 7.05 g')
  await press(bench, 'It is right, write it down')
  await expect(bench.locator('.wrote')).toContainText('39.00 g')
  await press(bench, 'Stop drying here')
  await press(bench, 'Go on drying')
  await writeReading(bench, '38.50')
  await press(bench, 'It is right, write it down')
  await press(bench, 'Stop drying here')
  await press(bench, 'Stop, and mark it wet')
  await expect(title(bench)).toHaveText('Melt')
  await bench.getByRole('button', { name: 'Apparatus 1' }).click()
  await bench.getByLabel('Onset in °C').fill('68')
  await bench.getByLabel('Clear in °C').fill('70')
  await bench.keyboard.press('Enter')
  await expect(bench.getByRole('alertdialog')).toContainText('literature says 113–115 °C')
  await press(bench, 'Correct it')
  await bench.getByLabel('Onset in °C').fill('104')
  await bench.getByLabel('Clear in °C').fill('111')
  await press(bench, 'Write it down')
  await expect(title(bench)).toHaveText('Waste and clean-up')

  await signIn(page, owner)
  await page.goto(`/class/${made.sessions[1]!.id}/results`)
  const row = page.locator('tr[data-bench="8"]')
  await expect(row).toContainText('wet')
  await expect(row).toContainText('Above 100 %: consistent with wet')
  await page.goto(`/class/${made.sessions[1]!.id}`)
  await expect(page.getByRole('region', { name: 'Odd readings' })).toContainText('39.00 g')
  await leave(bench)
})

test('a melting range is struck and melted again', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(8))
  await press(bench, /^Melt/)
  await press(bench, /^Strike Melting range/)
  await bench.getByLabel('Reason in your words').fill('Heated too fast')
  await press(bench, 'Strike, then melt again')
  await expect(title(bench)).toHaveText('Melt')
  await expect(bench.locator('.wrote s')).toHaveText(/^104–111 °C, corrected/)
  await expect(bench.locator('.wrote')).toContainText('struck: Heated too fast')
  await bench.getByRole('button', { name: 'Apparatus 1' }).click()
  await bench.getByLabel('Onset in °C').fill('112.8')
  await press(bench, 'Now the clear point')
  await bench.getByLabel('Clear in °C').fill('114.6')
  await press(bench, 'Write it down')
  await press(bench, /^Melt/)
  await expect(bench.locator('.wrote')).toContainText('112.8–114.6 °C')
  await leave(bench)
})

test('a reading can be struck without another in its place, and the step opens again', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(6))
  await press(bench, /^Charge aniline/)
  await press(bench, /^Strike Vial empty/)
  await press(bench, 'Only strike it')
  await expect(bench.locator('.pad [role=alert]')).toContainText('Give the reason')
  await press(bench, 'Point in the wrong place')
  await press(bench, 'Only strike it')
  await expect(title(bench)).toHaveText('Charge aniline')
  await expect(bench.getByRole('heading', { name: 'Vial, empty' })).toBeVisible()
  await press(bench, 'Without cap')
  await writeReading(bench, '19.736')
  await expect(bench.getByRole('alertdialog')).toContainText('with cap, then without cap')
  await press(bench, 'Correct it')
  await press(bench, 'With cap')
  await press(bench, 'Write it down')
  await expect(title(bench)).toHaveText('Add acetic acid')
  await leave(bench)
})

test('a tablet that leaves is no bench any more', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(3))
  await expect(bench.getByRole('timer')).toContainText('over: cool in ice')
  await press(bench, 'Leave')
  await expect(bench.getByLabel('Bench code')).toBeVisible()
  await bench.goto('/bench')
  await expect(bench.getByLabel('Bench code')).toBeVisible()
  await leave(bench)
})

test('pages print without the frame and the buttons', async ({ page }) => {
  await signIn(page, owner)
  await page.goto(`/desk/${made.preparations[0]!.id}`)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('table')).toBeVisible()
  await expect(page.locator('.bench-top')).toBeHidden()
  await expect(page.locator('.head .actions')).toBeHidden()
  await page.goto(`/class/${made.sessions[2]!.id}`)
  await expect(page.getByRole('region', { name: 'Bench cards' })).toContainText(made.sessions[2]!.runs[0]!.code)
  await expect(page.locator('.no-print').first()).toBeHidden()
})

test('the procedure is a guide: a step is left out, one is done out of turn, one once more, each with its reason', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000)
  await signIn(page, owner)
  const code = await session(page, 'Recrystallising 4-methylbenzoic acid, revision 1')
  const board = page.url()
  const bench = await openBench(browser, code)
  const go = (name: string | RegExp) => bench.getByRole('button', { name, exact: typeof name === 'string' }).click()
  const title = bench.locator('.step-face h1')
  const thread = bench.getByRole('navigation', { name: 'Steps' })
  // The safety page is neither left out nor hurried past.
  await expect(bench.getByRole('button', { name: 'Leave this step out' })).toHaveCount(0)
  await thread.getByRole('button', { name: /^Weigh the crude acid/ }).click()
  await expect(bench.getByRole('button', { name: 'Do it now, out of turn' })).toHaveCount(0)
  await go('Back to what is now')
  await go('We have read this')
  await expect(title).toHaveText('Melt the crude acid')
  await go('Leave this step out')
  await go('Leave it out')
  await expect(bench.getByRole('alert').filter({ hasText: 'Give the reason' })).toBeVisible()
  await go('No time left')
  await expectAccessible(bench)
  await go('Leave it out')
  await expect(title).toHaveText('Weigh the crude acid')
  await expect(thread.getByRole('listitem').filter({ hasText: 'Melt the crude acid' })).toContainText('left out')
  // A step to come is opened now, and what is now waits.
  await thread.getByRole('button', { name: /^Crystals in ice/ }).click()
  await expect(bench.getByText('Cannot yet: first weigh the crude acid.')).toBeVisible()
  await go('Do it now, out of turn')
  await go('While we wait')
  await go('Do it now')
  await expect(title).toHaveText('Crystals in ice')
  await expect(bench.getByText(/^Cannot yet/)).toHaveCount(0)
  await expect(bench.getByRole('button', { name: 'Leave this step out' })).toBeVisible()
  await go('Back to what is now')
  // Two portions of one charge add up.
  const portion = async (grams: string) => {
    await go('It shows zero: tared')
    await writeReading(bench, grams)
  }
  await portion('2.00')
  await expect(title).toHaveText('Crystallise')
  await thread.getByRole('button', { name: /^Weigh the crude acid/ }).click()
  await go('Do it once more')
  await go('A further portion')
  await go('Begin it again')
  await expect(title).toHaveText('Weigh the crude acid')
  await portion('0.50')
  await expect(title).toHaveText('Crystallise')
  await thread.getByRole('button', { name: /^Weigh the crude acid/ }).click()
  await expect(bench.locator('.written.net')).toContainText('2.50 g')
  await expect(bench.locator('.wrote')).toContainText('Once more')
  await expect(bench.getByRole('status').first()).toContainText('in the book')
  await leave(bench)
  // The class sees what was done otherwise.
  await page.goto(board)
  const row = page.locator('tr[data-bench="1"]')
  await expect(row).toContainText('left out: No time left')
  await expect(row).toContainText('done 2 times')
  await expect(row).toContainText('out of turn: While we wait')
  await expectAccessible(page)
})
