/** Days that make nothing: tests, a purification; operations of one's own; what is seen. */
import { expect, test, type Page } from '@playwright/test'
import { session } from './group'
import { expectAccessible, openBench, openDesk, owner, saved, signIn, writeReading } from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
/** Every figure as a table stands behind the pictures. */
async function openFurther(page: Page): Promise<void> {
  const table = page.getByRole('table', { name: 'Further results, bench by bench' })
  if (!(await table.isVisible())) await page.getByText('Further results, bench by bench').click()
}
const title = (page: Page) => page.locator('.step-face h1')

test('a test day: tubes at the bench, what was seen, and results without a yield', { tag: '@all' }, async ({ page, browser }) => {
  test.setTimeout(120_000)
  await signIn(page, owner)
  const code = await session(page, 'A day of tests on alcohols and carbonyl compounds, revision 1')
  const board = page.url()
  const bench = await openBench(browser, code)
  await press(bench, 'We have read this')
  await expect(title(bench)).toHaveText('Look at the samples')
  // What is seen is written at any moment: a colour, words, a picture that is made small.
  await press(bench, 'Write what we see')
  const seen = bench.getByRole('region', { name: 'What we see' })
  await seen.getByRole('button', { name: 'Write it down' }).click()
  await expect(seen.getByRole('alert')).toContainText('Nothing is entered')
  await seen.getByRole('button', { name: 'colourless', exact: true }).click()
  await seen.getByLabel('What we see, in our words').fill('D does not mix with water')
  await seen.locator('input[type=file]').setInputFiles('docs/screenshots/bench.png')
  await expect(seen.getByAltText('The picture that goes into the book')).toBeVisible()
  await expectAccessible(bench)
  await seen.getByRole('button', { name: 'Write it down' }).click()
  const line = bench.locator('.written').filter({ hasText: 'Seen' })
  await expect(line).toContainText('colourless: D does not mix with water')
  await expect(line).toContainText('in the book')
  // The book holds its digest: the picture itself is fetched when somebody looks.
  await expect(line.locator('img')).toHaveAttribute('src', /^\/api\/pictures\/[0-9A-Z]{26}$/)
  await expect.poll(() => line.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100)
  await press(bench, 'Done')
  const signs: Record<string, string[]> = {
    'Carbonyl test': ['none', 'none', 'sign', 'sign', 'sign', 'none'],
    'Iodoform test': ['none', 'sign', 'sign', 'none', 'sign', 'none'],
    'Alcohol test': ['sign', 'sign', 'none', 'none', 'sign', 'sign'],
  }
  for (const [test_, events] of Object.entries(signs)) {
    await expect(title(bench)).toHaveText(test_)
    await press(bench, /^Start all 6 stopwatches/)
    for (const [index, event] of events.entries()) {
      const tube = bench.locator('.tube-clocks li').nth(index)
      await tube
        .getByRole('button')
        .nth(event === 'sign' ? 0 : 1)
        .click()
    }
    await press(bench, 'The panel is read')
  }
  await expect(title(bench)).toHaveText('Waste and clean-up')
  await press(bench, 'We have looked: go on')
  await press(bench, 'Done')
  await expect(bench.getByRole('heading', { name: 'All steps are done' })).toBeVisible()
  const wrote = bench.locator('.step-face .wrote')
  await expect(wrote).toContainText('Carbonyl test')
  await expect(wrote).toContainText('A negative, B negative, C positive, D positive')
  // A blank that turned spoils its test: the whole is doubted for it.
  await expect(bench.locator('.step-face')).toContainText('The test itself did not work')
  await expect(bench.locator('.step-face')).not.toContainText('Theoretical yield')
  // In class: results without a column for a yield.
  await page.goto(board)
  await page.getByRole('link', { name: 'Results' }).click()
  await openFurther(page)
  const table = page.getByRole('table', { name: 'Further results, bench by bench' })
  await expect(table.getByRole('row', { name: /Iodoform test/ })).toContainText('As expected')
  await expect(table.getByRole('row', { name: /Alcohol test/ })).toContainText('The test itself did not work')
  await expect(page.getByText('yield')).toHaveCount(0)
  await expectAccessible(page)
})

test(
  'an operation of our own: made without a programmer, with its figure, and what is in the vessel is unknown after it',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await openDesk(page, 'Isopentyl acetate')
    await page.getByRole('combobox', { name: 'Add a step' }).fill('grind')
    await page.getByRole('option', { name: 'Make “grind” an operation of our own …' }).click()
    const dialog = page.getByRole('dialog', { name: 'An operation of our own' })
    await dialog.getByRole('button', { name: 'Make it and add the step' }).click()
    await expect(dialog.getByRole('alert')).toContainText('Say what to do')
    await dialog.getByLabel('what to do').fill('Grind it to a fine powder.')
    await dialog.getByLabel('its danger, where it has one').fill('Dust: in the hood.')
    await dialog.getByRole('button', { name: 'One more figure' }).click()
    await dialog.getByLabel(/^Figure 1: what it is/).fill('mesh')
    await dialog.getByLabel('Figure 1: unit').fill('mm')
    await dialog.getByLabel('Figure 1: to').fill('2')
    await expectAccessible(page)
    await dialog.getByRole('button', { name: 'Make it and add the step' }).click()
    const step = page.getByRole('group', { name: 'Step Grind' })
    const mesh = step.getByLabel(/^mesh, mm/)
    await mesh.fill('3')
    await mesh.press('Enter')
    await expect(step.getByRole('alert')).toContainText('2')
    await mesh.fill('0.5')
    await mesh.press('Enter')
    await saved(page)
    await page.reload()
    await page.getByRole('button', { name: 'Grind', exact: true }).click()
    await expect(step.getByLabel(/^mesh, mm/)).toHaveValue('0.5')
    await expect(step.getByLabel('caution')).toHaveValue('Dust: in the hood.')
    // It is in the list from now on, and can be added again.
    await page.getByRole('combobox', { name: 'Add a step' }).fill('gri')
    await expect(page.getByRole('option', { name: 'grind, our own' })).toBeVisible()
    // And in every other plan of the course.
    await openDesk(page, 'Acetanilide')
    await page.getByRole('combobox', { name: 'Add a step' }).fill('gri')
    await page.getByRole('option', { name: 'grind, our own' }).click()
    await expect(page.getByRole('group', { name: 'Step Grind' }).getByLabel('caution')).toHaveValue('Dust: in the hood.')
  },
)

test('what is to come out: a result that is not wanted, one that no step measures, the product and what a sample is made of', async ({
  page,
}) => {
  await signIn(page, owner)
  await openDesk(page, 'Fractionating cyclohexane and toluene')
  const results = page.getByRole('region', { name: 'Results' })
  await expect(results.getByRole('checkbox').first()).toBeChecked()
  const sample = (await results.locator('.samples tbody th').first().textContent())!
  await results.getByLabel('Sample of the further result').selectOption(sample)
  await results.getByLabel('A further result that is wanted').selectOption('refractive index')
  await expect(results).toContainText('no step measures it yet')
  const query = page.locator('.margin-note').filter({ hasText: `No step measures the refractive index of ${sample}` })
  await query.getByRole('button', { name: 'Add “refractive index”' }).click()
  await expect(query).toHaveCount(0)
  await expect(results).not.toContainText('no step measures it yet')
  await expect(results.getByRole('checkbox', { name: /^Refractive index of/ })).toBeChecked()
  await results.getByRole('checkbox').first().uncheck()
  await saved(page)
  await page.reload()
  await expect(results.getByRole('checkbox').first()).not.toBeChecked()
  await expectAccessible(page)
})

test('a day that makes nothing is begun from nothing, and says that no result is wanted yet', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/desk/new')
  await page.getByLabel('Title').fill('Practice in weighing')
  await page.getByRole('radio', { name: /neither/ }).check()
  await page.getByRole('combobox', { name: 'It works with: name or formula' }).fill('fluorene')
  await page
    .getByRole('option', { name: /^fluorene/ })
    .first()
    .click()
  await press(page, 'Write this preparation')
  await expect(page.getByRole('heading', { name: 'Practice in weighing', level: 1 })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Results' })).toContainText('none is wanted')
  await expect(page.getByRole('region', { name: 'Reaction scheme' })).not.toContainText('gives')
  await saved(page)
})

test(
  'a purification: melting before and after, and what came back, judged without a yield',
  { tag: '@all' },
  async ({ page, browser }) => {
    test.setTimeout(120_000)
    await signIn(page, owner)
    const code = await session(page, 'Recrystallising 4-methylbenzoic acid, revision 1')
    const bench = await openBench(browser, code)
    await press(bench, 'We have read this')
    const range = async (onset: string, clear: string) => {
      await bench.getByRole('textbox', { name: 'Onset' }).waitFor()
      const apparatus = bench.getByRole('group', { name: 'Apparatus' })
      if (await apparatus.isVisible()) await apparatus.getByRole('button').first().click()
      await bench.getByRole('textbox', { name: 'Onset' }).fill(onset)
      await bench.getByRole('textbox', { name: 'Clear' }).fill(clear)
      await press(bench, 'Write it down')
      const asked = bench.getByRole('alertdialog')
      if (await asked.isVisible()) await asked.getByRole('button').last().click()
    }
    await expect(title(bench)).toHaveText('Melt the crude acid')
    await range('172.0', '176.5')
    await expect(title(bench)).toHaveText('Weigh the crude acid')
    await press(bench, 'It shows zero: tared')
    await writeReading(bench, '2.00')
    await expect(title(bench)).toHaveText('Crystallise')
    const all = bench.getByRole('button', { name: 'All of it at once' })
    if (await all.isVisible()) await all.click()
    await writeReading(bench, '12')
    await press(bench, 'Crystals are out')
    await press(bench, 'Start the clock')
    await press(bench, 'It is over')
    await press(bench, 'It is over')
    await expect(title(bench)).toHaveText('Filter')
    await press(bench, 'Done')
    for (const grams of ['31.20', '32.71', '32.71']) await writeReading(bench, grams)
    await expect(title(bench)).toHaveText('Melt')
    await range('178.5', '180.0')
    await expect(title(bench)).toHaveText('Melt it mixed')
    await range('178.4', '179.9')
    await press(bench, 'We have looked: go on')
    await press(bench, 'Done')
    const face = bench.locator('.step-face')
    // 1.51 g of 2.00 g.
    await expect(face).toContainText('Recovery of 4-methylbenzoic acid')
    await expect(face).toContainText(/7[56] %/)
    await expect(face).toContainText(/Melting range of 4-methylbenzoic acid.*17\d\.\d–1[78]\d\.\d °C/)
    await expect(face).not.toContainText('Theoretical yield')
  },
)

test(
  'what came back later of a sample is typed by staff, and stands among the results of its bench',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await session(page, 'Fractionating cyclohexane and toluene, revision 1')
    await page.getByRole('link', { name: 'Results' }).click()
    const later = page.getByRole('region', { name: 'What came back later' })
    await later.getByLabel('purity, %').fill('101')
    await later.getByRole('button', { name: 'Write it down' }).click()
    await expect(later.getByRole('alert')).toContainText('Say how it was found')
    await later.getByLabel('by, for example gas chromatography').fill('gas chromatography')
    await later.getByRole('button', { name: 'Write it down' }).click()
    await expect(later.getByRole('alert')).toContainText('nothing is purer than 100 %')
    await later.getByLabel('purity, %').fill('96.4')
    await later.getByRole('button', { name: 'Write it down' }).click()
    await expect(later.getByRole('status')).toContainText('Written for bench 1')
    await openFurther(page)
    const table = page.getByRole('table', { name: 'Further results, bench by bench' })
    await expect(table.getByRole('row', { name: /purity/ })).toContainText('96.4')
    // Found anew, the last counts.
    await later.getByLabel('purity, %').fill('97.1')
    await later.getByRole('button', { name: 'Write it down' }).click()
    await expect(table.getByRole('row', { name: /purity/ })).toContainText('97.1')
    await expect(table.getByRole('row', { name: /purity/ })).toHaveCount(1)
    // What an instrument showed is told as it was read.
    await later.getByLabel('result').selectOption({ label: 'Spectrum of heavy' })
    await later.getByLabel('by, for example infrared').fill('infrared')
    await later.getByRole('button', { name: 'Write it down' }).click()
    await expect(later.getByRole('alert')).toContainText('Nothing is entered')
    await later.getByLabel('bands or shifts').fill('3030, 1605 and 1495 cm⁻¹')
    await later.getByRole('button', { name: 'Write it down' }).click()
    await expect(table.getByRole('row', { name: /spectrum/ })).toContainText('3030, 1605 and 1495 cm⁻¹')
    await expectAccessible(page)
  },
)
