/** One whole preparation on a tablet, over two days, as it really goes: with a strike, a witness, a stretch without the network, what is left out, repeated, seen, set aside, and nearly thrown away. */
import { expect, test, type Page } from '@playwright/test'
import { ownSection } from './group'
import { choosePreparation, demonstrator, expectAccessible, leave, openBench, owner, signIn, writeReading } from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const title = (page: Page) => page.locator('.step-face h1')
const inBook = (page: Page) => page.getByRole('status').first()
const today = () => new Date().toLocaleDateString('en-CA')

/** Ends a clock that has hardly run, and says so when asked. */
async function waitShortly(bench: Page, name: string): Promise<void> {
  await expect(title(bench)).toHaveText(name)
  await press(bench, 'Start the clock')
  await press(bench, 'It is over')
  await bench.getByRole('alertdialog').getByRole('button', { name: 'It is over' }).click()
}

/** Charges what the plan says. */
async function charge(bench: Page, name: string): Promise<void> {
  await expect(title(bench)).toHaveText(name)
  const planned = (await bench.locator('.amount-face b').first().innerText()).replace(/[^\d.]/g, '')
  if (await bench.getByRole('button', { name: 'Tare and add' }).isVisible()) await press(bench, 'Tare and add')
  if (await bench.getByRole('button', { name: 'It shows zero: tared' }).isVisible()) await press(bench, 'It shows zero: tared')
  await writeReading(bench, planned)
}

test('from the safety page to the melting point, over two days', { tag: '@all' }, async ({ page, browser }) => {
  test.setTimeout(240_000)
  await signIn(page, owner)
  const section = await ownSection(page, 1)
  await page.goto('/class/new')
  await choosePreparation(page, 'Tartaric acid from cream of tartar')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('Room, day 2').fill(section)
  await page.getByLabel('From', { exact: true }).fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:50')
  await page.getByLabel('Date, day 2').fill(today())
  await page.getByLabel('From, day 2').fill('23:51')
  await page.getByLabel('To, day 2').fill('23:59')
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 1 benches have begun')).toBeVisible()
  const board = page.url()
  const [first] = await page.locator('.cards .code').allTextContents()
  await page.getByRole('link', { name: /^Day 2,/ }).click()
  await expect(page.getByRole('link', { name: /^Day 2,/ })).toHaveAttribute('aria-current', 'page')
  const [second] = await page.locator('.cards .code').allTextContents()

  const bench = await openBench(browser, first!)
  await press(bench, 'We have read this')
  // The balance is read with one press; what still moves is not taken.
  await expect(title(bench)).toHaveText('Weigh cream of tartar')
  await press(bench, 'Tare and add')
  await press(bench, 'It shows zero: tared')
  const read = bench.getByRole('button', { name: /^Read Balance 1/ })
  await read.click()
  await expect(bench.getByText('It still moves')).toBeVisible()
  const field = bench.getByRole('textbox')
  await expect(async () => {
    await read.click()
    await expect(field).not.toHaveValue('', { timeout: 1000 })
  }).toPass({ timeout: 20_000 })
  const planned = Number((await bench.locator('.amount-face b').first().innerText()).replace(/[^\d.]/g, ''))
  expect(Math.abs(Number(await field.inputValue()) - planned)).toBeLessThan(0.05)
  await expectAccessible(bench)
  // Nothing moves under a finger when what was written reaches the book.
  let deliver = () => {}
  const delivered = new Promise<void>((done) => (deliver = done))
  await bench.route('**/entries', (route) => delivered.then(() => route.continue()))
  await press(bench, 'Write it down')
  await press(bench, /^Weigh cream of tartar/)
  const strike = bench.getByRole('button', { name: /^Strike Shown after taring/ })
  await expect(bench.locator('.where', { hasText: 'kept on this tablet' })).toHaveCount(1)
  const before = await strike.boundingBox()
  deliver()
  await expect(bench.locator('.where', { hasText: 'kept on this tablet' })).toHaveCount(0)
  expect(await strike.boundingBox()).toEqual(before)
  await bench.unroute('**/entries')
  // Struck and rewritten, then signed.
  await strike.click()
  await bench.getByRole('textbox', { name: 'rewritten' }).fill(String(planned + 0.02))
  await press(bench, 'Misread the display')
  await press(bench, 'Strike and rewrite')
  await press(bench, 'A demonstrator signs here')
  await bench.getByLabel('Demonstrator’s name').fill(demonstrator.signIn)
  await bench.getByLabel('Password').fill(demonstrator.password)
  await press(bench, /sign$/)
  await expect(bench.getByText(`Signed by ${demonstrator.name}`)).toBeVisible()
  await press(bench, 'Back to what is now')

  // From here the tablet hears nothing for a while.
  await expect(title(bench)).toHaveText('Dissolve hot')
  await expect(bench.getByRole('region', { name: 'Without the network' })).not.toContainText('not kept on the tablet yet', {
    timeout: 30_000,
  })
  await bench.context().setOffline(true)
  await press(bench, 'Write what we see')
  const seen = bench.getByRole('region', { name: 'What we see' })
  await seen.getByRole('button', { name: 'white', exact: true }).click()
  await seen.locator('input[type=file]').setInputFiles('docs/screenshots/bench.png')
  await expect(seen.getByAltText('The picture that goes into the book')).toBeVisible()
  await seen.getByRole('button', { name: 'Write it down' }).click()
  await bench.locator('.pad .go').first().click()
  await charge(bench, 'Add the carbonate')
  await charge(bench, 'Add the chloride')
  await expect(title(bench)).toHaveText('Set the pH')
  await writeReading(bench, '6.8')
  await press(bench, 'It is set')
  await expect(inBook(bench)).toContainText('kept on this tablet')
  await bench.context().setOffline(false)
  await expect(inBook(bench)).toContainText(/all \d+ entries in the book/, { timeout: 20_000 })

  await waitShortly(bench, 'Cool')
  // The liquor is set aside, and not thrown away without a reason before the product is weighed.
  await expect(title(bench)).toHaveText('Filter the salt')
  await press(bench, 'Our vessels')
  const vessels = bench.getByRole('region', { name: 'Our vessels' })
  await vessels.getByLabel('What is believed to be in it').fill('liquor of the salt')
  await vessels.getByRole('button', { name: 'it was put in' }).click()
  await vessels.getByRole('button', { name: 'Set it aside' }).click()
  await expect(vessels.getByRole('listitem')).toContainText('liquor of the salt')
  await vessels.getByRole('button', { name: 'Empty A' }).click()
  await vessels.getByRole('button', { name: 'throw away' }).click()
  await vessels.getByRole('button', { name: 'Write it down' }).click()
  await expect(vessels.getByRole('alert')).toContainText('The product is not weighed yet: say why this can go.')
  await expectAccessible(bench)
  await vessels.getByRole('button', { name: 'poured back' }).click()
  await vessels.getByRole('button', { name: 'Write it down' }).click()
  await expect(vessels).toContainText('Emptied: A poured back.')
  // By keys: what is closed gives the focus back, what opens has it.
  await vessels.getByRole('button', { name: 'Close this' }).press('Enter')
  await expect(bench.getByRole('button', { name: 'Our vessels' })).toBeFocused()
  await bench.keyboard.press('Enter')
  await expect(vessels).toBeFocused()
  await vessels.getByRole('button', { name: 'Close this' }).press('Enter')
  // A clock of our own runs on while the work does.
  await press(bench, 'A clock')
  await bench.getByRole('region', { name: 'A clock of our own' }).getByLabel('What the clock is for').fill('suction')
  await bench.getByLabel('Minutes', { exact: true }).fill('5')
  await press(bench, 'Start the clock')
  await expect(bench.getByRole('timer', { name: 'suction' })).toBeVisible()
  await bench.reload()
  await expect(bench.getByRole('timer', { name: 'suction' })).toBeVisible()
  await bench.locator('.pad .go').first().click()
  // The next step has the focus that the pad of this one took along.
  await expect(title(bench)).toBeFocused()
  // Left out with its reason.
  await expect(title(bench)).toHaveText('Dry the salt in air')
  await press(bench, 'Leave this step out')
  await press(bench, 'No time left')
  await press(bench, 'Leave it out')
  await expect(title(bench)).toHaveText('Stop for today')
  await bench.locator('.pad .go').first().click()
  await leave(bench)

  // The next day has its own code, and says what stood.
  const next = await openBench(browser, second!)
  await expect(title(next)).toHaveText('Stir the salt up')
  await expect(next.getByText('From the day before:')).toBeVisible()
  await press(next, 'A further step')
  const own = next.getByRole('region', { name: 'A further step' })
  await own.getByRole('button', { name: 'stir', exact: true }).click()
  await own.getByLabel('In a few words').fill('Crush the lumps')
  await own.getByRole('button', { name: 'Put it in' }).click()
  await expect(title(next)).toHaveText('Crush the lumps')
  await expect(next.getByText('This step is our own')).toBeVisible()
  await next.locator('.pad .go').first().click()
  if (await next.getByRole('button', { name: 'It is over' }).isVisible()) {
    await press(next, 'It is over')
    const early = next.getByRole('alertdialog')
    if (await early.isVisible()) await early.getByRole('button', { name: 'It is over' }).click()
  }
  await expect(title(next)).toHaveText('Stir the salt up')
  await next.locator('.pad .go').first().click()
  await charge(next, 'Add the acid')
  await waitShortly(next, 'Stir')
  await expect(title(next)).toHaveText('Filter off the sulfate')
  await next.locator('.pad .go').first().click()
  // Once more, with the reason.
  await press(next, /^Filter off the sulfate/)
  await press(next, 'Do it once more')
  await press(next, 'It went wrong')
  await press(next, 'Begin it again')
  await next.locator('.pad .go').first().click()
  await waitShortly(next, 'Boil it down')
  await waitShortly(next, 'Crystals')
  await expect(title(next)).toHaveText('Filter the acid')
  await next.locator('.pad .go').first().click()
  for (const grams of ['31.20', '33.30', '33.27']) await writeReading(next, grams)
  await expect(next.getByText(/Two weighings still differ by 30 mg; they agree within/)).toBeVisible()
  await writeReading(next, '33.27')
  await expect(title(next)).toHaveText('Melt')
  // The block rises; onset and clear point are two presses, or typed.
  await next.getByRole('button', { name: 'Apparatus 1' }).click()
  await press(next, /^Start the slow ramp/)
  await expect(next.locator('.ramp')).toContainText('2 °C a minute')
  await press(next, 'First liquid')
  await expect(next.getByLabel('Onset in °C')).not.toHaveValue('')
  await next.getByLabel('Onset in °C').fill('168.4')
  await next.getByLabel('Clear in °C').fill('170.0')
  await press(next, 'Write it down')
  await expect(title(next)).toHaveText('Waste and clean-up')
  await expect(next.getByRole('region', { name: 'Before it is done' })).toContainText('not signed yet: “Dry, weigh twice”')
  await press(next, 'We have looked: go on')
  await next.locator('.pad .go').first().click()
  await expect(title(next)).toHaveText('All steps are done')
  await leave(next)

  // The record says all of it, for good.
  await page.goto(board)
  await page.getByRole('link', { name: /One 1/ }).first().click()
  for (const words of [
    'Misread the display',
    'Signed by Noor Haddad',
    'white',
    'liquor of the salt',
    'Clock: suction',
    'No time left',
    'Crush the lumps',
    'It went wrong',
    'What is thrown away cannot be got back',
  ])
    await expect(page.getByText(words, { exact: false }).first()).toBeVisible()
  await expect(page.getByRole('img', { name: /^Seen at/ })).toBeVisible()
  await expectAccessible(page)
})
