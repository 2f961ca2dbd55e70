/** A preparation whose operations are all at the bench: tubes with stopwatches, a vial in its slot, a distillation read at the head. */
import { expect, test, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import type { Plan } from '../src/core/plan/plan'
import { ownSection } from './group'
import {
  base as origin,
  choosePreparation,
  expectAccessible,
  leave,
  made,
  openBench,
  owner,
  secondServer,
  signIn,
  writeReading,
} from './support'

test.describe.configure({ mode: 'serial' })

const fractionation = JSON.parse(readFileSync(new URL('../src/demo/plans/fractionation.json', import.meta.url), 'utf8')) as Plan

const title = (bench: Page) => bench.locator('.step-face h1')
const go = (bench: Page, name: string | RegExp) =>
  bench
    .locator('.pad-side')
    .getByRole('button', { name, ...(typeof name === 'string' ? { exact: true } : {}) })
    .click()
const figures = (bench: Page) => bench.getByRole('region', { name: 'Worked out from our figures' })
/** A tablet that is closed with an entry on the way would take it with it. */
const inTheBook = (bench: Page) => expect(bench.getByRole('status').first()).toContainText('in the book')
const wrote = (bench: Page) => bench.locator('.wrote')

let codes: string[] = []

/** Volume and head on the tablet's keys, as one line of the book. */
async function readHead(bench: Page, volume: string, head: string) {
  const keys = bench.getByRole('group', { name: 'Number keys' })
  for (const digit of volume) await keys.getByRole('button', { name: digit === '.' ? 'Point' : digit, exact: true }).click()
  await go(bench, 'Now the head')
  await writeReading(bench, head)
}

test('a session is set with a preparation of one’s own', async ({ page }) => {
  await signIn(page, owner)
  const base = { handsOnMin: 5, waitMin: 0 }
  const [safety, ...rest] = fractionation.steps.filter(({ id }) => id !== 'send')
  const file = JSON.stringify({
    ...fractionation,
    title: 'Fractionation, tested first',
    steps: [
      safety,
      {
        ...base,
        id: 'tubes',
        kind: 'act',
        operation: 'test',
        verb: 'Test',
        title: 'Test for a carbonyl group',
        text: 'Run the test beside a positive control and a blank.',
        work: { of: 'test', method: '2,4-dinitrophenylhydrazine' },
      },
      {
        ...base,
        id: 'vial',
        kind: 'act',
        operation: 'send',
        verb: 'Send',
        title: 'A vial of the mixture',
        text: 'Fill a vial and note its slot.',
      },
      {
        ...base,
        id: 'swirl',
        kind: 'act',
        operation: 'add',
        verb: 'Add',
        title: 'Swirl it in',
        text: 'Swirl it in, never above 20 °C.',
        work: { of: 'add', ceilingC: 20 },
      },
      ...rest,
    ],
  })
  const answer = await page.request.post(`/api/courses/${made.course.id}/preparations`, {
    data: { file },
    headers: { origin },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
  await page.goto(`/desk/${((await answer.json()) as { id: string }).id}`)
  await page.getByRole('button', { name: 'Publish draft 1' }).click()
  await page.getByLabel(/I have read the safety sheet of this draft/).check()
  await page.getByRole('button', { name: 'Publish and freeze' }).click()
  await expect(page.getByTestId('revision')).toContainText('revision 1, published')
  const section = await ownSection(page, 2)
  await page.goto('/class/new')
  await choosePreparation(page, 'Fractionation, tested first')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('From', { exact: true }).fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  await page.getByRole('button', { name: 'Set this session' }).click()
  await expect(page.getByText('0 of 2 benches have begun')).toBeVisible()
  codes = await page.locator('.cards .code').allTextContents()
})

test('tubes: stopwatches start together, each stops by its sign, and what did nothing is warmed once', async ({ browser }) => {
  const bench = await openBench(browser, codes[0]!)
  await go(bench, 'We have read this')
  await expect(title(bench)).toHaveText('Test for a carbonyl group')
  await go(bench, 'Start all 3 stopwatches')
  const clocks = bench.locator('.tube-clocks li')
  await expect(clocks).toHaveCount(3)
  await expect(clocks.first().locator('.fig')).toHaveText(/^0:0[1-9]$/)
  await expect(bench.getByRole('button', { name: 'The panel is read' })).toBeDisabled()
  await bench.getByRole('button', { name: /^2 positive control.*precipitate/ }).click()
  await expect(clocks.nth(1)).toContainText('positive: yellow to red precipitate')
  await bench.getByRole('button', { name: /^3 blank.*no sign/ }).click()
  await bench.getByRole('button', { name: /^1 sample.*no sign/ }).click()
  await expect(bench.getByRole('button', { name: 'The panel is read' })).toBeEnabled()
  await bench.getByRole('button', { name: /^1 sample.*warm it/ }).click()
  await expect(bench.getByRole('button', { name: 'The panel is read' })).toBeDisabled()
  await bench.reload()
  await expect(clocks.nth(1)).toContainText('positive')
  await bench.getByRole('button', { name: /^1 sample.*no sign/ }).click()
  await expect(clocks.first()).toContainText('no sign, warm')
  await expectAccessible(bench)
  await go(bench, 'The panel is read')
  await expect(title(bench)).toHaveText('A vial of the mixture')
  await inTheBook(bench)
  await leave(bench)
})

test('a vial is written with its slot, or asks for it', async ({ browser }) => {
  const bench = await openBench(browser, codes[0]!)
  await go(bench, 'Write it down')
  await expect(bench.locator('.pad [role=alert]')).toContainText('as it stands on the tray, for example A3')
  await bench.getByRole('button', { name: 'gas chromatography' }).click()
  await bench.getByLabel('Slot of our vial').fill('A3')
  await bench.getByLabel('Slot of our vial').press('Enter')
  await expect(wrote(bench)).toContainText('A3, for gas chromatography')
  await go(bench, 'Done')
  await expect(title(bench)).toHaveText('Swirl it in')
  await inTheBook(bench)
  await leave(bench)
})

test('while something is added the temperature is written, and above its ceiling it says stop', async ({ browser }) => {
  const bench = await openBench(browser, codes[0]!)
  for (const [shown, said] of [
    ['19', '19 °C: stop the drops until it is below 14 °C'],
    ['24', '24 °C is above 20 °C: stop adding, ice round the flask'],
  ] as const) {
    await go(bench, 'Write a temperature')
    await writeReading(bench, shown)
    if (shown === '24') {
      await expect(bench.getByRole('alertdialog')).toContainText('24 °C is above the 20 °C of the plan')
      await go(bench, 'It is right, write it down')
    }
    await expect(figures(bench)).toContainText(said)
  }
  await go(bench, 'Done')
  await expect(title(bench)).toHaveText('Set up')
  await inTheBook(bench)
  await leave(bench)
})

test('a distillation: first drop, volume and head, what is left, the window widened with a reason, and stop', async ({
  browser,
}) => {
  test.setTimeout(120_000)
  const bench = await openBench(browser, codes[0]!)
  for (const check of await bench.getByRole('checkbox').all()) await check.check()
  await go(bench, 'All of it checked')
  for (const step of ['Charge cyclohexane', 'Charge toluene']) {
    await expect(title(bench)).toHaveText(step)
    await writeReading(bench, '25.0')
  }
  await expect(title(bench)).toHaveText('Distil the light fraction')
  await expect(bench.locator('.pad h2')).toHaveText('First drop')
  await writeReading(bench, '180.5')
  await expect(bench.getByRole('alertdialog')).toContainText('Nothing in this plan boils above')
  await go(bench, 'Correct it')
  for (let back = 0; back < 5; back++) await bench.getByRole('button', { name: 'Delete', exact: false }).first().click()
  await writeReading(bench, '80.5')
  await expect(wrote(bench)).toContainText('First drop, head')
  await readHead(bench, '10.0', '81.0')
  await expect(figures(bench)).toContainText('left in flask and column40.0 mL')
  await readHead(bench, '20.0', '86.0')
  await expect(figures(bench)).toContainText('80.5–86.0 °C')
  // From 81 to 86 °C in 10 mL the head passes 84 after 6.
  await expect(figures(bench)).toContainText('16.0 mL')
  await expect(figures(bench)).toContainText('change the receiver, or widen the window and say why')
  await expect(figures(bench).getByRole('img', { name: /Head as it was read/ })).toBeVisible()
  await go(bench, 'Widen the window')
  await expect(bench.getByLabel('Window to in °C')).toHaveValue('84')
  await bench.getByLabel('Window to in °C').fill('70')
  await go(bench, 'Widen it')
  await expect(bench.locator('.pad [role=alert]')).toContainText('ends above where it begins')
  await bench.getByLabel('Window to in °C').fill('87')
  await go(bench, 'Widen it')
  await expect(bench.locator('.pad [role=alert]')).toContainText('Say why')
  await bench.getByLabel('Why the window is widened').fill('the bulb sits low')
  await go(bench, 'Widen it')
  await expect(wrote(bench)).toContainText('87 °C: the bulb sits low')
  await expect(figures(bench)).not.toContainText('change the receiver')
  await go(bench, 'Heater’s setting')
  await writeReading(bench, '4')
  await expect(wrote(bench)).toContainText('Setting of the heater')
  await expectAccessible(bench)
  await bench.reload()
  await expect(figures(bench)).toContainText('30.0 mL')
  await go(bench, 'That was the last drop')
  await expect(title(bench)).toHaveText('Distil between')
  await writeReading(bench, '87.0')
  // A single tap is a line: so much more, at what the head does against the line before.
  await go(bench, '5 mL')
  await go(bench, '5.0 mL at 88.0 °C')
  await expect(wrote(bench)).toContainText('Head at 5.0 mL')
  await expect(bench.getByRole('button', { name: '10.0 mL at 88.0 °C' })).toBeVisible()
  await readHead(bench, '6.0', '106.0')
  await go(bench, 'That was the last drop')
  await writeReading(bench, '107.0')
  // The same receiver cannot hold less than before.
  await readHead(bench, '18.0', '110.0')
  await expect(figures(bench)).toContainText('Only 6.0 mL are left in flask and column')
  await readHead(bench, '1.9', '110.0')
  await expect(bench.getByRole('alertdialog')).toContainText('There were 18.0 mL in the receiver already')
  await go(bench, 'Correct it')
  await bench.getByLabel('Volume in this receiver in mL').fill('21.9')
  await go(bench, 'Write it down')
  await expect(figures(bench)).toContainText('Lower the heat now: about 2.1 mL are left')
  await inTheBook(bench)
  await leave(bench)
})

test('two tablets at one bench write at once: each sees what the other wrote, and a reading that is struck is gone from the figures', async ({
  browser,
}) => {
  const [one, two] = [await openBench(browser, codes[0]!), await openBench(browser, codes[0]!, secondServer)]
  for (const tablet of [one, two]) await expect(title(tablet)).toHaveText('Distil the heavy fraction')
  // The same volume at both: whoever is second would rightly be asked about less than the receiver holds already.
  await Promise.all([readHead(one, '22.1', '110.2'), readHead(two, '22.1', '110.3')])
  for (const tablet of [one, two]) {
    for (const head of ['110.2', '110.3']) await expect(wrote(tablet)).toContainText(new RegExp(`Head at 22\\.1 mL[^H]*${head}`))
    await expect(figures(tablet)).toContainText('about 1.9 mL are left')
  }
  await readHead(two, '22.3', '110.4')
  for (const tablet of [one, two]) await expect(figures(tablet)).toContainText('about 1.7 mL are left')
  await wrote(two).getByRole('button', { name: 'Strike Head at 22.3 mL, 110.4 °C' }).click()
  await go(two, 'Misread the display')
  await go(two, 'Strike it')
  for (const tablet of [one, two]) await expect(figures(tablet)).toContainText('about 1.9 mL are left')
  await expect(wrote(one)).toContainText('struck: Misread the display')
  for (const tablet of [one, two]) await leave(tablet)
})
