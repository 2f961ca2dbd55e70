/** What goes between the benches and the people who look after them: calls, notes, signatures by PIN, groups together, two tablets at once. */
import { expect, test, type Browser, type Page } from '@playwright/test'
import { ownSection } from './group'
import {
  base,
  choosePreparation,
  demonstrator,
  expectAccessible,
  leave,
  openBench,
  owner,
  reader,
  signIn,
  writeReading,
} from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = (page: Page) => page.locator('.step-face h1')

/** A session of acetanilide with two benches. @returns its page, and its codes */
async function twoBenches(page: Page): Promise<{ board: string; codes: string[] }> {
  await signIn(page, owner)
  const section = await ownSection(page, 2)
  await page.goto('/class/new')
  await choosePreparation(page, 'Acetanilide')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('From', { exact: true }).fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 2 benches have begun')).toBeVisible()
  return { board: page.url(), codes: await page.locator('.cards .code').allTextContents() }
}

const staff = async (browser: Browser, person = demonstrator) => {
  const page = await (await browser.newContext({ baseURL: base })).newPage()
  await signIn(page, person)
  return page
}

test('a hand, something that happened, a note: each reaches who it is for, is seen to, and stays in the record', async ({
  page,
  browser,
}) => {
  const { board, codes } = await twoBenches(page)
  const other = await staff(browser)
  const bench = await openBench(browser, codes[0]!)
  await press(bench, 'We have read this')
  await press(bench, 'Hand up')
  await expect(bench.getByRole('status', { name: 'Our hand is up' })).toBeVisible()
  await expect(bench.getByRole('button', { name: 'Hand up', exact: true })).toBeDisabled()
  // On whatever page a demonstrator is.
  await other.goto('/reference')
  await expect(other.getByRole('alert').filter({ hasText: 'Bench 1, hand up' })).toBeVisible({ timeout: 15_000 })
  await other.getByRole('link', { name: /Bench 1, hand up/ }).click()
  const needs = other.getByRole('region', { name: 'Needs a person' })
  await needs.getByRole('button', { name: 'I have been there' }).click()
  await expect(bench.getByRole('status', { name: 'Our hand is up' })).toHaveCount(0)
  await expect(needs).toHaveCount(0)

  // One press says what happened; to whom, afterwards.
  await press(bench, 'Something happened')
  const panel = bench.getByRole('region', { name: 'Something happened' })
  await panel.getByRole('button', { name: 'Cut' }).dblclick()
  await expect(panel.getByRole('heading', { name: 'They are told: cut' })).toBeVisible()
  await expectAccessible(bench)
  // A second touch says it once.
  await expect(needs.locator('.alarm')).toHaveCount(1)
  await expect(needs.locator('.alarm')).toContainText('Bench 1, something happened')
  await panel.getByRole('button', { name: 'One 1' }).click()
  await panel.getByLabel('In our words').fill('left thumb, on the vial')
  await panel.getByRole('button', { name: 'Say this too' }).click()
  await expect(needs.locator('.alarm')).toContainText('cut; One 1; left thumb, on the vial')
  await expectAccessible(other)
  await needs.getByLabel('What was done at bench 1').fill('Washed, bandaged')
  await needs.getByRole('button', { name: 'I have been there' }).click()
  await expect(needs).toContainText('Seen to by')
  await expect(bench.getByRole('status', { name: 'What happened' })).toContainText('Washed, bandaged')

  // What happened has a record of its own.
  await needs.getByRole('link', { name: 'The record of what happened' }).click()
  await expect(other.getByRole('row', { name: /cut: left thumb, on the vial One 1 Set up/ })).toContainText('Washed, bandaged')
  await expectAccessible(other)
  await other.goBack()

  // A note to one bench, then to all; a bench says that it has read it.
  await other.getByLabel('To which bench').selectOption({ label: 'bench 1' })
  await other.getByLabel('What is said').fill('Turn the water on')
  await press(other, 'Say it')
  const note = bench.getByRole('alert', { name: 'Note from the demonstrator' })
  await expect(note).toContainText('Turn the water on')
  await note.getByRole('button', { name: 'We have read it' }).click()
  await expect(note).toHaveCount(0)
  const second = await openBench(browser, codes[1]!)
  await other.getByLabel('To which bench').selectOption({ label: 'all benches' })
  await other.getByLabel('What is said').fill('Ten minutes more')
  await press(other, 'Say it')
  for (const each of [bench, second])
    await expect(each.getByRole('alert', { name: 'Note from the demonstrator' })).toContainText('Ten minutes')
  // All of it stands in the record of the run.
  await leave(bench)
  await page.goto(board)
  await page.getByRole('link', { name: /One 1/ }).first().click()
  for (const words of ['Hand up', 'cut; One 1; left thumb', 'Washed, bandaged', 'Turn the water on'])
    await expect(page.getByText(words, { exact: false }).first()).toBeVisible()
  // A tablet that is signed in and a bench at once still hears of calls.
  const both = await staff(browser)
  await both.goto('/bench')
  await both.getByLabel('Bench code').fill(codes[1]!)
  await press(both, 'Open our bench')
  await press(both, 'Hand up')
  await expect(both.getByRole('status', { name: 'Our hand is up' })).toBeVisible()
  await expect(async () => {
    const heard = (await (await both.request.get(`${base}/api/calls`)).json()) as { calls?: { kind: string }[] }
    expect(heard.calls?.map(({ kind }) => kind)).toContain('hand')
  }).toPass({ timeout: 10_000 })
  // A reader of results is not called.
  const outsider = await staff(browser, reader)
  const answer = await outsider.request.get(`${base}/api/calls`)
  expect([answer.status(), await answer.json()]).toEqual([200, { calls: [] }])
  for (const each of [second, other, outsider, both]) await leave(each)
})

test('readings are signed by PIN, several at once, with few tries; the owner sets it on the course page', async ({
  page,
  browser,
}) => {
  const { codes } = await twoBenches(page)
  const other = await staff(browser)
  await other.goto('/course')
  const pin = other.getByRole('form', { name: 'My PIN' })
  const set = async (digits: string, password: string) => {
    await pin.getByLabel(/^New PIN/).fill(digits)
    await pin.getByLabel('Your password').fill(password)
    await pin.getByRole('button', { name: 'Set my PIN' }).click()
  }
  await set('12', demonstrator.password)
  await expect(other.getByText('A PIN has four to eight digits.')).toBeVisible()
  await set('1234', demonstrator.password)
  await expect(other.getByText(/first that anybody tries/)).toBeVisible()
  await set('7193', 'guess')
  await expect(other.getByText(/do not go together/)).toBeVisible()
  await set('7193', demonstrator.password)
  await expect(other.getByText('Your PIN is set.')).toBeVisible()
  await expectAccessible(other)

  const bench = await openBench(browser, codes[0]!)
  await press(bench, 'We have read this')
  for (const check of await bench.getByRole('checkbox').all()) await check.check()
  await press(bench, 'All of it checked')
  await press(bench, 'Tare and add')
  await press(bench, 'It shows zero: tared')
  await writeReading(bench, '4.09')
  await press(bench, 'A demonstrator signs')
  const dialog = bench.getByRole('dialog')
  await dialog.getByRole('button', { name: demonstrator.name }).click()
  for (const wrong of ['1111', '2222', '3333']) {
    await dialog.getByLabel('PIN').fill(wrong)
    await press(bench, /sign$/)
    await expect(dialog.getByRole('alert')).toContainText('not that person’s PIN')
  }
  // The first wait is short and may be over by the next try; each further one doubles it.
  await expect(async () => {
    await dialog.getByLabel('PIN').fill('4444')
    await press(bench, /sign$/)
    await expect(dialog.getByRole('alert')).toContainText('Too many attempts', { timeout: 1000 })
  }).toPass({ timeout: 30_000 })
  await expectAccessible(bench)
  await expect(async () => {
    await dialog.getByLabel('PIN').fill('7193')
    await press(bench, /sign$/)
    await expect(dialog).toHaveCount(0, { timeout: 2000 })
  }).toPass({ timeout: 30_000 })
  await press(bench, /^Charge aniline/)
  await expect(bench.getByText(`Signed by ${demonstrator.name}`)).toBeVisible()
  await leave(bench)
  await leave(other)
})

test('two tablets write one reading at once: both are seen, the figure is open, one is struck', async ({ page, browser }) => {
  const { board, codes } = await twoBenches(page)
  const [one, two] = [await openBench(browser, codes[0]!), await openBench(browser, codes[0]!)]
  await press(one, 'We have read this')
  for (const check of await one.getByRole('checkbox').all()) await check.check()
  await press(one, 'All of it checked')
  await press(one, 'Tare and add')
  await press(one, 'It shows zero: tared')
  for (const tablet of [one, two]) await expect(tablet.getByRole('heading', { name: 'What the balance shows now' })).toBeVisible()
  // Neither hears of the other while both write.
  for (const tablet of [one, two]) {
    await expect(tablet.getByRole('status').first()).toContainText('in the book')
    await tablet.context().setOffline(true)
  }
  await writeReading(one, '4.09')
  await writeReading(two, '4.19')
  for (const tablet of [one, two]) await tablet.context().setOffline(false)
  for (const tablet of [one, two]) {
    const both = tablet.getByRole('alert', { name: 'Two figures for one reading' })
    await press(tablet, /^Charge aniline/)
    await expect(both).toContainText('4.09 g')
    await expect(both).toContainText('4.19 g')
  }
  await page.goto(board)
  await expect(page.getByRole('region', { name: 'Needs a person' })).toContainText('two tablets wrote the same reading')
  await two.getByRole('button', { name: 'Strike 4.19 g' }).click()
  await two.getByRole('button', { name: 'Misread the display' }).click()
  await press(two, 'Only strike it')
  for (const tablet of [one, two]) await expect(tablet.getByRole('alert', { name: 'Two figures for one reading' })).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Needs a person' })).toHaveCount(0)
  for (const tablet of [one, two]) await leave(tablet)
})

test('two groups go on as one and part again', { tag: '@all' }, async ({ page, browser }) => {
  const { codes } = await twoBenches(page)
  const [one, two] = [await openBench(browser, codes[0]!), await openBench(browser, codes[1]!)]
  for (const bench of [one, two]) await press(bench, 'We have read this')
  await page.getByText('Two groups go on as one').click()
  await page.getByLabel('The group of').selectOption({ label: 'bench 2' })
  await press(page, 'Put them together')
  await expect(page.getByRole('region', { name: 'Say to the benches' }).getByRole('alert')).toContainText('Choose both')
  await page.getByLabel('Goes on at').selectOption({ label: 'bench 1' })
  await press(page, 'Put them together')
  await expect(two.getByRole('heading', { name: 'We go on at bench 1' })).toBeVisible()
  await expect(one.getByText('The group of bench 2 works with us.')).toBeVisible()
  await expect(page.locator('tr[data-bench="2"] .now-words')).toContainText('goes on at bench 1')
  await press(page, 'Part them again')
  await expect(two.getByRole('heading', { name: 'We go on at bench 1' })).toHaveCount(0)
  await expect(title(two)).toHaveText('Set up')
  for (const bench of [one, two]) await leave(bench)
})
