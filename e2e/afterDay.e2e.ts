/** What comes after a lab day: every kind of result, what counts, corrections, releases, files of instruments, marks, other classes, search, archives. */
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { demonstrator, expectAccessible, owner, reader, signIn } from './support'

/** Opens the results of the latest class of a preparation that the college has held. */
async function resultsOf(page: Page, title: string, section = ''): Promise<string> {
  await page.goto('/class')
  const line = page.locator('.sheet-list li', { hasText: new RegExp(`^${title}.*, ${section}`) }).filter({ hasText: 'over' })
  await line.getByRole('link', { name: 'Results' }).first().click()
  await page.waitForURL(/results/)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(title)
  return page.url().replace('/results', '')
}
const panel = (page: Page, name: string | RegExp) => page.getByRole('region', { name, exact: true }).first()

test(
  'a day of tests has a panel of tubes: what each bench saw, how long it took, and what spoils a test',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await resultsOf(page, 'A day of tests')
    const carbonyl = panel(page, 'Carbonyl test')
    await expect(carbonyl.getByRole('row', { name: /^blank: water/ })).toContainText('sign')
    await expect(carbonyl).toContainText('The test itself did not work')
    await expect(carbonyl.locator('.tube.otherwise')).toHaveCount(2)
    await expect(panel(page, 'Iodoform test').locator('.tube.otherwise')).toHaveCount(1)
    await expectAccessible(page)
  },
)

test(
  'a separation and a fractionation: what came back of each part, and the curves over the planned one',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await resultsOf(page, 'Separation of an acid')
    const balance = panel(page, /^Mass balance of mixture/)
    await expect(balance.getByRole('row')).toHaveCount(9)
    await expect(panel(page, 'Recovery of fluorene, of fluorene put in')).toContainText('Above 100 %')
    await expectAccessible(page)
    await resultsOf(page, 'Fractionating')
    const curves = panel(page, /^Distil the light fraction/)
    await expect(curves.locator('.recharts-line')).toHaveCount(9)
    await curves.getByText('The readings').click()
    await expect(curves.getByRole('row')).toHaveCount(9)
    await resultsOf(page, 'Benzilic acid')
    await expect(panel(page, 'The whole sequence').getByRole('columnheader')).toContainText([
      'bench',
      'Benzoin',
      'Benzil',
      'Benzilic acid',
      'overall',
      'overall',
    ])
  },
)

test('why not all of it, with workings; a result that does not count; a release stays while a correction stands beside it', async ({
  page,
}) => {
  await signIn(page, owner)
  const session = await resultsOf(page, 'Recrystallising')
  await resultsOf(page, 'Acetanilide', 'Spring')
  const losses = panel(page, 'Why not all of it')
  await expect(losses.locator('summary').nth(5)).toContainText('crude to pure, and water of the crude')
  await losses.locator('summary').nth(5).click()
  await expect(losses).toContainText('Still to be had: boiled down to')
  await expect(losses).toContainText('of water, as it stood at 5 °C')
  await page.goto(`${session}/results`)
  await page.getByRole('button', { name: 'Release these results' }).click()
  const released = page.getByRole('region', { name: 'Released results' })
  await expect(released).toContainText('Nothing has changed since')

  const counts = page.getByRole('region', { name: 'Which results count' })
  await counts.getByRole('button', { name: 'Leave it out' }).click()
  await expect(counts.getByRole('alert')).toContainText('Say which bench')
  await counts.getByLabel('Leave out of the class’s figures').selectOption({ index: 7 })
  await counts.getByRole('button', { name: 'Leave it out' }).click()
  await expect(counts.getByRole('alert')).toContainText('Say why')
  await counts.getByLabel('because').fill('ten times the solvent')
  await counts.getByRole('button', { name: 'Leave it out' }).click()
  await expect(counts).toContainText('Bench 7, Galli, Novak, does not count for the class: ten times the solvent')
  await expect(released.getByRole('row', { name: /counts/ })).toContainText('yes')
  await counts.getByRole('button', { name: 'It counts again' }).click()
  await expect(released).toContainText('Nothing has changed since')

  // A reading is put right on the record: the release stays as it was.
  await page.goto(session)
  await page
    .locator(`a[href^="${new URL(session).pathname}/"]`, { hasText: 'Adeyemi' })
    .first()
    .click()
  const right = page.getByRole('region', { name: 'Put a reading right' })
  await right.getByRole('combobox').selectOption({
    label: (
      await right
        .locator('option', { hasText: 'Melt the product' })
        .or(right.locator('option', { hasText: /Melting range/ }))
        .last()
        .innerText()
    ).trim(),
  })
  await right.getByLabel('onset, °C').fill('150')
  await right.getByLabel('clear, °C').fill('12')
  await right.getByLabel('because').fill('the notebook says otherwise')
  await right.getByRole('button', { name: 'Put it right' }).click()
  await expect(right.getByRole('alert')).toContainText('clear point')
  await right.getByLabel('clear, °C').fill('151')
  await right.getByRole('button', { name: 'Put it right' }).click()
  await expect(right.getByRole('status')).toContainText('is put right')
  await expect(page.getByText('the notebook says otherwise').first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'How it is worked out' })).toContainText('recovery: 100 ×')
  await expectAccessible(page)
  await page.goto(`${session}/results`)
  await expect(released.getByRole('row', { name: /melting range/i })).toContainText('150.0–151.0')
  await expect(released).toContainText('they stay as they were')
})

test('a file of an instrument finds its bench by its slot; peaks are named, and the purity stands among the results', async ({
  page,
}) => {
  await signIn(page, demonstrator)
  const session = await resultsOf(page, 'Isopentyl acetate')
  await page.getByRole('link', { name: 'Instrument files' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  const list = page.getByRole('list', { name: 'Files of this session' })
  await expect(list.getByRole('button')).toHaveCount(12)
  // Two columns as CSV, with the slot in its name.
  const line = (minute: number) =>
    2 +
    90 * Math.exp(-(((minute - 5.6) / 0.07) ** 2)) +
    10 * Math.exp(-(((minute - 3.4) / 0.07) ** 2)) +
    0.01 * Math.sin(997 * minute)
  const csv = Array.from({ length: 1600 }, (_, index) => `${(index / 200).toFixed(3)},${line(index / 200).toFixed(4)}`).join('\n')
  const drop = page.locator('input[type=file]')
  await drop.setInputFiles([
    { name: 'again A3.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) },
    { name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('dear all') },
  ])
  await expect(page.getByRole('status')).toContainText('again A3.csv is of bench 3, by its slot')
  await expect(page.getByRole('status')).toContainText('letter.txt: No line has two numbers')
  const open = page.getByRole('region', { name: 'again A3.csv', exact: true })
  await expect(open.getByRole('row')).toHaveCount(3)
  await open.getByLabel('What peak 2 is').selectOption('isopentyl acetate')
  await open.getByLabel('Response of peak 1').fill('0.5')
  await open.getByLabel('Response of peak 1').blur()
  // 90 against 10/0.5 = 20: 81.8 %.
  await expect(open).toContainText('81.8 %')
  await open.getByLabel('from', { exact: true }).fill('3')
  await open.getByLabel('to', { exact: true }).fill('4')
  await open.getByRole('button', { name: 'Look closely' }).click()
  await expect(open.getByRole('button', { name: 'All of it' })).toBeEnabled()
  await open.getByRole('button', { name: 'Write this purity for the bench' }).click()
  await expect(open.getByRole('status')).toContainText('Written for bench 3: 81.8 %')
  // What was said of the peaks is there again after a reload.
  await page.reload()
  await list.getByRole('button', { name: /again A3/ }).click()
  await expect(open.getByLabel('What peak 2 is')).toHaveValue('isopentyl acetate')
  await list.getByRole('button', { name: /bench 5 infrared/ }).click()
  const spectrum = page.getByRole('region', { name: 'A5 ir.jdx' })
  await expect(spectrum.getByRole('row', { name: /^alcohol/ })).toContainText('should have gone')
  await expect(spectrum.getByRole('row', { name: /^carboxylic acid/ })).toContainText('gone, as it should be')
  await expect(spectrum).toContainText('simulated: no instrument has measured this')
  await expectAccessible(page)
  await page.goto(`${session}/results`)
  await expect(panel(page, /^Purity of isopentyl acetate/)).toContainText('81.8 %')
})

test(
  'a group reads its own spectra with its code for reading, and types in what it has on paper',
  { tag: '@all' },
  async ({ page, browser }) => {
    await signIn(page, owner)
    const session = await resultsOf(page, 'Isopentyl acetate')
    await page.goto(`${session}/cards`)
    const [, code] = /to read afterwards (\w+)/.exec((await page.locator('main').innerText()).replaceAll(/\s+/g, ' '))!
    const tablet = await browser.newPage()
    await tablet.goto(new URL('/bench', session).href)
    await tablet.getByLabel('Bench code').fill(code!)
    await tablet.getByRole('button', { name: 'Open our bench' }).click()
    await expect(tablet.getByText('This run is read')).toBeVisible()
    await tablet.goto(new URL('/bench/record', session).href)
    const ours = tablet.getByRole('region', { name: 'What the instruments gave' })
    const spectrum = ours.getByRole('region', { name: /^A1 h-nmr/ })
    await expect(spectrum.getByLabel('whose it is')).toBeHidden()
    await spectrum.getByLabel('shift, ppm, line 1').fill('2.04')
    await spectrum.getByLabel('protons, line 1').fill('3')
    await spectrum.getByRole('button', { name: 'Keep these shifts' }).click()
    await expect(spectrum).toContainText('Said by the group.')
    await ours.getByText('Type in a printed report').click()
    const table = ours.getByLabel('Peak table: a time and an area in each line').last()
    await table.fill('ester')
    await ours.getByRole('button', { name: 'Take this table' }).last().click()
    await expect(ours.getByRole('alert')).toContainText('each line has a time and an area')
    await expect(table).toHaveValue('ester')
    await table.fill('1 3.40 30\n2 5.61 970')
    await ours.getByRole('button', { name: 'Take this table' }).last().click()
    const typed = ours.getByRole('region', { name: /^printed report/ })
    await expect(typed.getByRole('row')).toHaveCount(3)
    await typed.getByLabel('What peak 2 is').selectOption('isopentyl acetate')
    await expect(typed).toContainText('97.0 %')
    await expectAccessible(tablet)
    // Staff see both, and who said what.
    await page.goto(`${session}/files`)
    await page.getByRole('button', { name: /h-nmr/ }).click()
    await expect(page.getByRole('region', { name: /^A1 h-nmr/ })).toContainText('Said by the group.')
    await expect(page.getByLabel('shift, ppm, line 1')).toHaveValue('2.04')
    await page.getByRole('button', { name: /printed report/ }).click()
    await expect(page.getByRole('region', { name: /^printed report/ })).toContainText('97.0 %')
    await tablet.close()
  },
)

test('marks: proposed by the record, decided by a person, handed back to the group', async ({ page, browser }) => {
  await signIn(page, owner)
  const session = await resultsOf(page, 'Benzilic acid')
  await page.goto(`${session}/marks`)
  const sheet = page.getByRole('region', { name: /^Bench 1, / })
  await expect(sheet.getByRole('row', { name: /^complete record/ })).toContainText('steps are written down')
  await sheet.getByRole('button', { name: 'Take what is proposed' }).click()
  await sheet.getByLabel('report, points of 3').fill('4')
  await sheet.getByRole('button', { name: 'Decide it so' }).click()
  await expect(sheet.getByRole('alert')).toContainText('Between 0 and 3 points')
  await sheet.getByLabel('report, points of 3').fill('2.5')
  await sheet.getByLabel('own arithmetic, points of 4').fill('3')
  await sheet.getByLabel('Comment on the whole').fill('Dry it longer next time.')
  await sheet.getByRole('button', { name: 'Decide it so' }).click()
  await expect(sheet).toContainText('Not handed back yet')
  await expect(sheet.locator('.total')).toContainText('of 20')
  await page.getByRole('button', { name: 'Hand 1 back' }).click()
  await expect(sheet).toContainText('Handed back')
  await expectAccessible(page)
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'CSV' }).click()])
  expect(readFileSync(await download.path(), 'utf8')).toContain('Dry it longer next time.')
  // The group reads it with its code for reading, whatever day it is.
  await page.goto(`${session}/cards`)
  const [code] = (await page.locator('main').innerText()).match(/\b[2-9A-HJ-NP-Z]{8}\b/) ?? []
  const tablet = await browser.newPage()
  await tablet.goto(new URL('/bench', session).href)
  await tablet.getByLabel('Bench code').fill(code!)
  await tablet.getByRole('button', { name: 'Open our bench' }).click()
  await expect(tablet.getByText('This run is read')).toBeVisible()
  await tablet.goto(new URL('/bench/record', session).href)
  await expect(tablet.getByRole('region', { name: 'Handed back' })).toContainText('Dry it longer next time.')
  await expectAccessible(tablet)
  await tablet.close()
})

test(
  'sections and years side by side, runs found by what is known of them, a session out as an archive',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await resultsOf(page, 'Acetanilide', 'Section A')
    await page.getByRole('link', { name: 'Sections and years' }).click()
    const classes = panel(page, 'Sections and years')
    await expect(classes.getByRole('row')).toHaveCount(4)
    await expect(classes).toContainText('of theory a year')
    await expectAccessible(page)
    await page.goto('/class')
    await page.getByRole('link', { name: 'Find a run' }).click()
    await page.getByLabel('preparation').fill('acetanilide')
    await page.getByLabel('result from, %').fill('many')
    await page.getByRole('button', { name: 'Find', exact: true }).click()
    await expect(page.locator('main [role=alert]')).toContainText('“many” is no per cent')
    await page.getByLabel('result from, %').fill('0')
    await page.getByLabel('to, %', { exact: true }).fill('50')
    await page.getByRole('button', { name: 'Find', exact: true }).click()
    await expect(page.getByRole('row')).not.toHaveCount(0)
    await expect(page.locator('tbody tr').first()).toContainText(/yield [34]\d %/)
    await resultsOf(page, 'Isopentyl acetate')
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: 60_000 }),
      page.getByRole('button', { name: 'Archive' }).click(),
    ])
    expect(download.suggestedFilename()).toMatch(/^isopentyl-acetate-.*\.crate\.zip$/)
  },
)

test('a reader sees results and files, and decides nothing', async ({ page }) => {
  await signIn(page, reader)
  const session = await resultsOf(page, 'Isopentyl acetate')
  await expect(page.getByRole('button', { name: 'Release these results' })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Archive' })).toHaveCount(0)
  await page.goto(`${session}/files`)
  await expect(page.locator('input[type=file]')).toHaveCount(0)
  expect((await page.goto(`${session}/marks`))!.status()).toBeGreaterThanOrEqual(400)
})
