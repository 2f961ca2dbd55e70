import { expect, test, type Page } from '@playwright/test'
import { ownSection } from './group'
import {
  choosePreparation,
  codeToday,
  demonstrator,
  leave,
  openBench,
  openDesk,
  owner,
  secondServer,
  signIn,
  writeReading,
} from './support'

test.describe.configure({ mode: 'serial' })

let code = ''
let section = ''
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = (page: Page) => page.locator('.step-face h1')

test('the owner sets a session for today, each group at its own scale', async ({ page }) => {
  await signIn(page, owner)
  section = await ownSection(page, 2)
  await openDesk(page, 'Acetanilide')
  await page.getByRole('link', { name: 'Class' }).click()
  await page.getByRole('link', { name: 'Set a lab session' }).click()
  await choosePreparation(page, 'Acetanilide')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('From', { exact: true }).fill('08:00')
  await page.getByLabel('To', { exact: true }).fill('07:00')
  await page.getByLabel('Scale of bench 1').fill('many')
  await press(page, 'Set this session')
  await expect(page.getByText('The session ends before it begins')).toBeVisible()
  await expect(page.getByText(/A scale is a number from 0.05 to 20/)).toBeVisible()
  await expect(page.getByLabel('Scale of bench 1')).toHaveValue('many')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  await page.getByLabel('Scale of bench 1').fill('0,8')
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 2 benches have begun')).toBeVisible()
  code = (await page.locator('.cards .code').first().textContent())!
  expect(code).toMatch(/^[2-9A-Z]{6}$/)
})

test('a bench runs the whole preparation on a tablet, and the class sees it', async ({ browser, page }) => {
  test.setTimeout(180_000)
  const bench = await openBench(browser, code)
  // The board is served by the other process.
  await signIn(page, demonstrator, secondServer)
  await page.goto(`${secondServer}/class`)
  await page.getByRole('link', { name: `Acetanilide, ${section}` }).click()
  await expect(page.locator('.board tbody tr')).toHaveCount(2)
  const row = page.locator('tr[data-bench="1"]')
  const alert = bench.locator('.pad [role=alert]')

  await expect(title(bench)).toHaveText('Safety read')
  await expect(bench.getByText('Toxic if inhaled', { exact: false }).first()).toBeVisible()
  await expect(bench.getByText(/safety data sheets, your local rules and the qualified person/)).toBeVisible()
  await press(bench, 'We have read this')
  await expect(title(bench)).toHaveText('Set up')
  // The class sees it without a reload, though another process took the entry.
  await expect(row.locator('.now-words')).toContainText('Set up')
  await expect(bench.getByRole('button', { name: 'All of it checked' })).toBeDisabled()
  for (const check of await bench.getByRole('checkbox').all()) await check.check()
  await press(bench, 'All of it checked')

  // Our amounts, and weighing by difference with the state of the cap.
  await expect(title(bench)).toHaveText('Charge aniline')
  await expect(bench.locator('.amount-face')).toContainText('3.20 mL')
  await expect(bench.locator('.amount-face')).toContainText('3.27 g')
  // In another unit of mass: 27483 mg are 27.483 g.
  await bench.locator('.read input').first().fill('27483 mg')
  await press(bench, 'Write it down')
  await expect(alert).toContainText('Say whether the cap is on')
  await press(bench, 'With cap')
  await press(bench, 'Write it down')
  await expect(bench.getByRole('heading', { name: 'Vial, empty' })).toBeVisible()
  await expect(bench.getByText('With cap, as before.')).toBeVisible()
  // Ten times too much is asked about at once, and corrected.
  await writeReading(bench, '0')
  await expect(bench.getByRole('alertdialog')).toContainText(/is 8.4 times the plan/)
  await press(bench, 'Correct it')
  await bench.getByRole('button', { name: 'Delete the last digit' }).click()
  await writeReading(bench, '24.211')
  await expect(title(bench)).toHaveText('Add acetic acid')
  await expect(bench.getByText('Charge aniline waits for a signature')).toBeVisible()
  await expect(row.locator('td.square').nth(2)).toContainText('waits for a signature')

  // A demonstrator signs on the bench's tablet.
  await press(bench, 'A demonstrator signs')
  await bench.getByLabel('Demonstrator’s name').fill(demonstrator.signIn)
  await bench.getByLabel('Password').fill('guess')
  await press(bench, /sign$/)
  await expect(bench.getByRole('dialog').getByRole('alert')).toContainText('do not go together')
  await bench.getByLabel('Password').fill(demonstrator.password)
  await press(bench, /sign$/)
  await expect(bench.getByText('waits for a signature')).toHaveCount(0)

  // A wrong reading is struck and rewritten with a reason: the old one stays readable, the signature is void, visibly.
  await press(bench, /^Charge aniline/)
  await expect(bench.getByText(/Signed by Noor Haddad/)).toBeVisible()
  await press(bench, /^Strike Vial with contents/)
  await expect(bench.getByText('Striking it makes the signature void')).toBeVisible()
  const strike = bench.getByRole('region', { name: 'Strike a reading' })
  await strike.getByRole('textbox', { name: 'rewritten' }).fill('27.493')
  await press(bench, 'Strike and rewrite')
  await expect(strike.getByRole('alert')).toContainText('Give the reason')
  await press(bench, 'Misread the display')
  await press(bench, 'Strike and rewrite')
  await expect(bench.locator('.wrote s').first()).toHaveText('27.483 g')
  await expect(bench.locator('.wrote')).toContainText('27.493 g')
  await expect(bench.locator('.wrote')).toContainText('Misread the display')
  await expect(bench.getByText(/Void: a signed reading was struck/)).toBeVisible()
  await expect(row.locator('td.square').nth(2)).toContainText('signature void')

  // The demonstrator signs again, on their own device, and the bench sees it.
  await page.getByRole('region', { name: 'Signatures' }).getByRole('button').click()
  await expect(bench.getByText(/Void: a signed reading/)).toHaveCount(0)
  await expect(row.locator('td.square').nth(2)).toContainText('done')

  await press(bench, 'Back to what is now')
  await press(bench, 'Done')
  await expect(title(bench)).toHaveText('Add zinc')
  await press(bench, 'It shows zero: tared')
  await writeReading(bench, '0.08')
  await expect(title(bench)).toHaveText('Add anhydride')
  await writeReading(bench, '40.0')
  await expect(bench.getByRole('alertdialog')).toContainText('40.0 mL is 10 times the plan’s 4.00 mL')
  await press(bench, 'Correct it')
  await bench.getByRole('textbox').fill('4.00')
  await bench.keyboard.press('Enter')

  // Heat on and onset are two presses; the clock runs from the onset and survives a reload.
  await expect(title(bench)).toHaveText('Heat under reflux')
  await press(bench, 'Heat is on')
  await expect(bench.getByRole('timer')).toContainText('heat on, no reflux yet')
  await press(bench, 'Reflux has begun')
  await expect(bench.getByRole('timer')).toContainText(/(20:00|19:5\d)/)
  await expect(bench.getByText(/all \d+ entries in the book/)).toBeVisible()
  await bench.reload()
  await expect(bench.getByRole('timer')).toContainText(/19:[45]\d/)
  await expect(row.locator('.now-words')).toContainText(/19:[345]\d left/)
  await press(bench, 'Heat is off')
  await expect(bench.getByRole('alertdialog')).toContainText('It has run 0 of 20 min')
  await press(bench, 'It is over')
  await press(bench, 'Done')
  await press(bench, 'Start the clock')
  await expect(bench.getByRole('timer')).toContainText('left: cool in ice')
  await press(bench, 'It is over')
  await press(bench, 'It is over')
  await press(bench, 'Done')

  // Crude mass, this time with the container by difference.
  await expect(title(bench)).toHaveText('Weigh, crude')
  await press(bench, 'By difference')
  await press(bench, 'Without cap')
  await writeReading(bench, '31.20')
  await writeReading(bench, '35.02')
  await expect(title(bench)).toHaveText('Crystallise')
  await writeReading(bench, '80')
  await press(bench, 'Crystals are out')
  await press(bench, 'Start the clock')
  await press(bench, 'It is over')
  await press(bench, 'It is over')
  await press(bench, 'Done')

  // Dry mass: two weighings must agree.
  await expect(title(bench)).toHaveText('Dry, weigh twice')
  await writeReading(bench, '31.20')
  for (const gross of ['34.81', '34.54']) await writeReading(bench, gross)
  await expect(bench.getByText('not constant yet')).toBeVisible()
  await writeReading(bench, '34.53')
  await expect(title(bench)).toHaveText('Melt')
  await bench.getByRole('button', { name: 'Apparatus 1' }).click()
  await bench.getByLabel('Onset in °C').fill('115')
  await bench.getByLabel('Clear in °C').fill('113')
  await bench.keyboard.press('Enter')
  await expect(alert).toContainText('clear must be at or above onset')
  await bench.getByLabel('Onset in °C').fill('113.1')
  await bench.getByLabel('Clear in °C').fill('114.8')
  await press(bench, 'Write it down')
  await press(bench, 'We have looked: go on')
  await press(bench, 'Done')
  await expect(title(bench)).toHaveText('All steps are done')
  // 3.282 g × 0.99 ÷ 93.129 × 135.166 = 4.716 g; 3.33 ÷ 4.716 = 70.6 %; 3.33 ÷ 3.82 = 87.2 %
  await expect(bench.getByText('4.72 g')).toHaveCount(0)
  await press(bench, 'Check our arithmetic')
  await expect(bench.locator('.own-arithmetic [role=alert]')).toContainText('Work something out first')
  await bench.getByLabel('theoretical yield').fill('4.72')
  await bench.getByLabel('percent yield').fill('87.2')
  await press(bench, 'acetic anhydride limits')
  await press(bench, 'Check our arithmetic')
  const arithmetic = bench.getByRole('region', { name: 'Our own arithmetic' })
  await expect(arithmetic).toContainText('That is the recovery of the crystallisation')
  await expect(arithmetic).toContainText('That one is in excess')
  await press(bench, 'Work it out again')
  await bench.getByLabel('percent yield').fill('70.6')
  await press(bench, 'Check our arithmetic')
  await expect(arithmetic.getByText('right', { exact: true })).toBeVisible()
  await expect(bench.locator('.wrote')).toContainText('4.72 g')
  await expect(bench.locator('.wrote')).toContainText('71 %')
  await expect(bench.locator('.wrote')).toContainText('87 %')

  // Results: yield and recovery apart, melting range, CSV.
  await page.getByRole('link', { name: 'Results', exact: true }).click()
  const result = page.locator('tr[data-bench="1"]')
  await expect(result).toContainText('71%')
  await expect(result).toContainText('87%')
  await expect(result).toContainText('112.9–114.6')
  await expect(result).toContainText('Consistent with pure')
  await expect(result).toContainText('scale 0.8')
  await leave(bench)
})

test('readings written without the network are kept on the tablet, over a reload, and reach the book', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(7))
  for (const check of await bench.getByRole('checkbox').all()) await check.check()
  await bench.route('**/api/runs/**', (route) => route.abort())
  await press(bench, 'All of it checked')
  await expect(title(bench)).toHaveText('Charge aniline')
  await expect(bench.getByRole('status').filter({ hasText: 'kept on this tablet' })).toBeVisible()
  await bench.reload()
  await expect(title(bench)).toHaveText('Charge aniline')
  await bench.unroute('**/api/runs/**')
  await expect(bench.getByText(/all 2 entries in the book/)).toBeVisible()
  await leave(bench)
})

test('two tablets at one bench agree', async ({ browser }) => {
  const [one, two] = [await openBench(browser, codeToday(5)), await openBench(browser, codeToday(5), secondServer)]
  await press(one, 'Reflux has begun')
  await expect(two.getByRole('timer')).toContainText('left under reflux')
  await press(two, 'Heat is off')
  await press(two, 'It is over')
  await expect(title(one)).toHaveText('Pour into water')
  for (const page of [one, two]) await leave(page)
})
