/** The planners of the operations, driven at the Desk, and what they say at the bench. */
import { expect, test, type Page } from '@playwright/test'
import {
  base,
  codeToday,
  demonstrator,
  expectAccessible,
  leave,
  openBench,
  openDesk,
  owner,
  saved,
  signIn,
  writeReading,
} from './support'

/** Opens a step of the procedure; its planner is the answer. */
async function planner(page: Page, step: string, title: string) {
  await page.getByRole('region', { name: 'Procedure' }).getByRole('button', { name: step, exact: true }).click()
  const found = page.getByRole('region', { name: `${title}, worked out` })
  await expect(found).toBeVisible()
  return found
}

const sourced = ', (from the plan|from the record|of the laboratory|a usual value|not known)'

/** A blank of a planner's sentence by its label, whether it was typed or where it comes from. */
const blank = (panel: Awaited<ReturnType<typeof planner>>, label: string) => {
  const name = new RegExp(`^${label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(${sourced})?$`)
  // One that offers names is a combobox.
  return panel.getByRole('textbox', { name }).or(panel.getByRole('combobox', { name }))
}

async function fill(panel: Awaited<ReturnType<typeof planner>>, label: string, text: string) {
  await blank(panel, label).fill(text)
  await blank(panel, label).press('Enter')
}

const fact = (panel: Awaited<ReturnType<typeof planner>>, name: string) =>
  panel
    .locator('dl > div')
    .filter({ has: panel.page().locator('dt', { hasText: name }) })
    .locator('dd')

test('crystallisation: the loss before cooling, what too much costs, and all of it undone', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Acetanilide')
  const panel = await planner(page, 'Crystallise', 'Crystallisation')
  // 98 mL × 0.46 g ÷ 100 mL
  await expect(fact(panel, 'stays dissolved cold')).toHaveText('0.45 g')
  await fill(panel, 'hot solvent, mL', '420')
  await expect(fact(panel, 'stays dissolved cold')).toHaveText('1.93 g')
  await expect(panel.getByText(/will stay dissolved. Boil down to \d+ mL/)).toBeVisible()
  await fill(panel, 'hot solvent, mL', 'lots')
  await expect(panel.getByRole('alert')).toBeVisible()
  await expect(blank(panel, 'hot solvent, mL')).toHaveValue('lots')
  await blank(panel, 'hot solvent, mL').press('Escape')
  await fill(panel, 'cold, °C', '5')
  await expect(fact(panel, 'stays dissolved cold')).not.toHaveText('1.93 g')
  await expect(panel.getByRole('img', { name: /Best recovery against/ })).toBeVisible()
  await panel.getByText('The figures as a table').click()
  await expect(panel.getByRole('table').first()).toBeVisible()
  const solvents = panel.getByRole('table', { name: 'Solvents compared' })
  await expect(solvents.getByRole('row', { name: /^water/ })).toContainText('21.5')
  await expect(solvents.getByRole('row', { name: /^propan-2-ol/ })).toContainText('try 0.1 g in a tube')
  await expect(solvents.getByRole('row', { name: /^toluene/ })).toContainText('may come as an oil')
  await panel.getByRole('button', { name: 'Write down a solvent that was tried' }).click()
  await fill(panel, 'solvent, row 1 of solvents tried', 'ethanol')
  await expect(solvents.getByRole('row', { name: /^ethanol/ })).toContainText('try 0.1 g in a tube')
  await fill(panel, 'holds cold, row 1 of solvents tried', '20')
  await fill(panel, 'holds hot, row 1 of solvents tried', '46')
  await expect(solvents.getByRole('row', { name: /^ethanol/ })).toContainText('hot dissolves only 2.3 times what cold does')
  await expect(panel.getByRole('table', { name: 'Pairs of solvents' }).getByRole('row', { name: /^ethanol/ })).toContainText(
    'water',
  )
  await saved(page)
  await expectAccessible(page)
  await page.reload()
  const again = await planner(page, 'Crystallise', 'Crystallisation')
  await expect(blank(again, 'hot solvent, mL')).toHaveValue('420')
  // Emptied, it goes back to what the plan says.
  await fill(again, 'hot solvent, mL', '')
  await expect(blank(again, 'hot solvent, mL')).toHaveValue('98')
})

test('distillation: the curve comes from a worker, the fractions follow the window, dryness is a danger', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Fractionating cyclohexane and toluene')
  const panel = await planner(page, 'Distil the light fraction', 'Distillation')
  await expect(panel.getByText('Fractional distillation.')).toBeVisible()
  const fractions = panel.getByRole('table', { name: 'Fractions by the window' })
  await expect(fractions).toBeVisible()
  const main = fractions.getByRole('row', { name: /^main/ })
  const before = await main.innerText()
  await fill(panel, 'to, °C', '95')
  await expect(page.getByTestId('revision')).toContainText('draft')
  await expect.poll(() => main.innerText()).not.toBe(before)
  await expect(panel.getByRole('table', { name: 'Recovery against purity' }).getByRole('row')).not.toHaveCount(1)
  await fill(panel, 'left at the end, mL', '0.5')
  // Said once: beside the step, in the margin.
  await expect(page.getByText(/never distil to dryness/)).toHaveCount(1)
  await expect(panel.getByText(/never distil to dryness/)).toHaveCount(0)
  await fill(panel, 'stages above the pot', '0')
  await expect(panel.getByText(/put a column on/)).toBeVisible()
  await fill(panel, 'stages above the pot', '20')
  await fill(panel, 'left at the end, mL', '4000')
  await expect(panel.getByText(/nothing comes over/)).toBeVisible()
  await expectAccessible(page)
})

test(
  'distillation: constants for each pair, three components, a pressure of its own, a choice taken back',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await openDesk(page, 'Fractionating cyclohexane and toluene')
    const panel = await planner(page, 'Distil the light fraction', 'Distillation')
    const fractions = panel.getByRole('table', { name: 'Fractions by the window' })
    await fill(panel, 'left at the end, mL', '')
    await panel.getByLabel(/^liquid/).selectOption('van Laar')
    await fill(panel, 'constant 1–2', '0.2')
    await fill(panel, 'constant 2–1', '0.2')
    await expect(fractions).toBeVisible()
    await expect(panel.getByText('cyclohexane with toluene')).toBeVisible()
    // A third component: each pair has its own two constants, and van Laar's hold for two only.
    await panel.getByRole('button', { name: 'Add a component' }).click()
    await fill(panel, 'substance, row 3 of components', 'toluene')
    await fill(panel, 'mmol, row 3 of components', '50')
    await expect(panel.getByText(/Van Laar’s equations are for two components/)).toBeVisible()
    await panel.getByLabel(/^liquid/).selectOption('NRTL')
    await fill(panel, 'constant 2–3', '0.4')
    await expect(blank(panel, 'constant 3–2')).toBeVisible()
    await expect(fractions).toBeVisible()
    // A choice goes back to the plan's as a number does when it is emptied.
    await panel.getByLabel(/^liquid/).selectOption({ label: 'as the plan has it: ideal' })
    await expect(panel.getByLabel('liquid, a usual value')).toHaveValue('ideal')
    await panel.getByRole('button', { name: 'Back to what the plan says' }).click()
    await fill(panel, 'pressure, mmHg', '100')
    await expect(panel.getByText(/Under reduced pressure: thick glass/)).toBeVisible()
    await expect(fact(panel, 'cyclohexane boils here at')).toHaveText('25.5 °C')
    await fill(panel, 'pressure, mmHg', '')
    await expectAccessible(page)
  },
)

test('extraction: what is where after each step', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Separation of an acid, an amine and a hydrocarbon')
  const panel = await planner(page, 'Extract with base', 'Extraction')
  const where = panel.getByRole('table', { name: 'What is where after this step' })
  await expect(where.getByRole('row', { name: /^B/ })).toContainText('99.6 %')
  // The K of its record is octanol's, which is said.
  await expect(panel.getByText(/K of 4-methylbenzoic acid is octanol’s/)).toBeVisible()
  await panel.getByLabel(/^salt in the water/).focus()
  await panel.getByLabel(/^salt in the water/).selectOption('saturated')
  // 30 mL × 0.359 g/mL
  await expect(fact(panel, 'sodium chloride to saturate the water')).toHaveText('11 g')
  await expect(panel.getByRole('textbox', { name: /^Setschenow constant/ })).toHaveValue('0.195')
  await expect(panel.getByLabel(/^salt in the water/)).toBeFocused()
  await page.keyboard.press('Control+z')
  await panel.getByText('If an emulsion stands').click()
  await expect(panel.getByText('Wait five minutes, funnel upright.')).toBeVisible()
  await expect(where.getByRole('row', { name: /^B/ })).toContainText('99.6 %')
  await expectAccessible(page)
})

test('washes are proposed, written over, and given back', { tag: '@all' }, async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate')
  const panel = await planner(page, 'Wash with bicarbonate', 'Washing')
  const washes = panel.getByRole('table', { name: 'Washes in their order' })
  await expect(washes.getByRole('row')).toHaveText([/^solution/, /^water/, /^saturated sodium bicarbonate/, /^brine/])
  await panel.getByRole('button', { name: 'Add a wash' }).click()
  await panel.getByLabel(/^solution, row 4 of washes/).selectOption('5 % sodium hydroxide')
  await expect(panel.getByText(/strong base splits the ester/).first()).toBeVisible()
  await panel.getByRole('button', { name: 'Back to what the plan says' }).click()
  await expect(washes.getByRole('row')).toHaveCount(4)
  await expectAccessible(page)
})

test('the other planners each answer on a demo preparation', { tag: '@all' }, async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Acetanilide')
  const heat = await planner(page, 'Heat under reflux', 'Heating under reflux')
  await expect(fact(heat, 'it boils at')).toHaveText(/11[67] °C/)
  await expect(heat.getByText(/water condenser/)).toBeVisible()
  await heat.getByLabel(/^gas/).selectOption('acid')
  await expect(heat.getByText(/through a trap/)).toBeVisible()
  const cool = await planner(page, 'Cool in ice', 'Cooling')
  await expect(fact(cool, 'time for this volume')).toHaveText('10 min')
  const filter = await planner(page, 'Filter', 'Filtering')
  await expect(filter.getByText('Take suction.')).toBeVisible()
  const dry = await planner(page, 'Dry, weigh twice', 'Drying a solid')
  for (const [row, [min, grams]] of [
    ['0', '5.20'],
    ['10', '4.80'],
    ['20', '4.60'],
  ].entries()) {
    await dry.getByRole('button', { name: 'Add a weighing' }).click()
    await fill(dry, `after, min, row ${row + 1} of weighings`, min!)
    await fill(dry, `net, g, row ${row + 1} of weighings`, grams!)
  }
  await expect(fact(dry, 'tending to')).toHaveText('4.40 g')
  await expect(dry.getByRole('img', { name: /Tending to 4.40/ })).toBeVisible()
  const melt = await planner(page, 'Melt', 'Melting')
  await melt.getByLabel(/^apparatus/).selectOption({ label: 'Apparatus 2' })
  await expect(fact(melt, 'Apparatus 2 shows')).toHaveText(/116\.\d °C/)
  await fill(melt, 'heating rate, °C/min', '10')
  await expect(melt.getByText(/ahead of the sample/)).toBeVisible()
  await expectAccessible(page)
})

test('holding at a band: the words give it, what boils away is said, and another bath is asked for', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  const panel = await planner(page, 'Hold at 60 °C', 'Heating and holding')
  await expect(blank(panel, 'lower end of the band, °C')).toHaveValue('60')
  await fill(panel, 'upper end of the band, °C', '85')
  await expect(panel.getByText(/Boils away below 85 °C: .*ethanol first/)).toBeVisible()
  await panel.getByLabel(/^flask/).selectOption('under a condenser')
  await expect(panel.getByText(/Boils away/)).toHaveCount(0)
  await fill(panel, 'upper end of the band, °C', '95')
  await expect(panel.getByText(/take another bath/)).toBeVisible()
})

test('adding, quenching, drying a solution, taking a solvent off, sending', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Methyl 3-nitrobenzoate')
  const add = await planner(page, 'Drop in the acids', 'Adding')
  await fill(add, 'heat given off, kJ/mol', '100')
  await expect(blank(add, 'heat capacity of what is in the flask, J/(g·K)')).not.toHaveValue('0')
  await fill(add, 'heat capacity of what is in the flask, J/(g·K)', '1.5')
  await expect(page.getByText(/All at once it could reach/)).toHaveCount(1)
  await openDesk(page, 'Separation of an acid, an amine and a hydrocarbon')
  const quench = await planner(page, 'Set the acid free', 'Quenching and neutralising')
  await expect(fact(quench, 'needed')).toHaveText('7.2 mL')
  const dry = await planner(page, 'Dry the ether', 'Drying the solution')
  await expect(dry.getByText('sodium sulfate will do for fluorene.')).toBeVisible()
  await dry.getByLabel(/^drying agent/).selectOption('calcium chloride')
  await expect(dry.getByText(/fast and thorough|cheap and thorough/).first()).toBeVisible()
  const off = await planner(page, 'Take off the ether', 'Taking the solvent off')
  await expect(off.getByText(/burns: no flame/)).toBeVisible()
  await openDesk(page, 'Fractionating cyclohexane and toluene')
  const send = await planner(page, 'Samples of both fractions', 'Samples for an instrument')
  await expect(send.getByText(/Bench 1 has A1 and A2/)).toBeVisible()
})

test('by keyboard alone: a step is opened, its blanks are written, refused, undone, and a choice is made', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Trimyristin from nutmeg')
  const tabTo = async (name: RegExp) => {
    for (let tabs = 0; tabs < 150; tabs++) {
      await page.keyboard.press('Tab')
      const label = await page.evaluate(() => {
        const at = document.activeElement
        return at?.getAttribute('aria-label') ?? at?.textContent ?? ''
      })
      if (name.test(label)) return
    }
    throw new Error(`Nothing named ${name} is reached by Tab.`)
  }
  await page.getByRole('heading', { level: 1 }).click()
  await tabTo(/^Crystallise$/)
  await page.keyboard.press('Enter')
  const panel = page.getByRole('region', { name: 'Crystallisation, worked out' })
  await expect(panel).toBeVisible()
  await tabTo(/^crude, g/)
  await page.keyboard.type('2.5')
  await page.keyboard.press('Enter')
  await expect(blank(panel, 'crude, g')).toHaveValue('2.5')
  await expect(panel.getByLabel('crude, g', { exact: true })).toBeFocused()
  await tabTo(/^how much solvent/)
  await expect(blank(panel, 'crude, g')).toHaveValue('2.5')
  await page.keyboard.press('ArrowDown')
  await expect(panel.getByLabel('how much solvent', { exact: true })).toBeFocused()
  await tabTo(/^solubility cold/)
  await page.keyboard.type('-4')
  await page.keyboard.press('Enter')
  await expect(panel.getByRole('alert')).toContainText('lies between 0 and 300')
  await page.keyboard.press('Escape')
  await page.keyboard.type('0.5')
  await page.keyboard.press('Enter')
  await expect(fact(panel, 'stays dissolved cold')).toBeVisible()
  await tabTo(/^Write down a solvent that was tried$/)
  await page.keyboard.press('Enter')
  await tabTo(/^solvent, row 1 of solvents tried/)
  await expect(page.locator(':focus')).toHaveAttribute('list', /.+/)
  await page.keyboard.press('Control+z')
  await expect(panel.getByLabel(/row 1 of solvents tried/)).toHaveCount(0)
  await saved(page)
})

test('the laboratory: pressure, schools and standards; a demonstrator reads them', { tag: '@all' }, async ({ page, browser }) => {
  await signIn(page, owner)
  await page.getByRole('link', { name: 'Reference', exact: true }).click()
  await page.getByRole('link', { name: 'The laboratory' }).click()
  await expect(page.getByText('water boils at 99.5 °C')).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('how it is known').selectOption('altitude')
  await page.getByRole('textbox', { name: 'altitude, m' }).fill('1500')
  await page.getByRole('textbox', { name: 'altitude, m' }).press('Enter')
  await expect(page.getByText('water boils at 95.0 °C')).toBeVisible()
  await page.getByRole('textbox', { name: 'altitude, m' }).fill('9000')
  await page.getByRole('textbox', { name: 'altitude, m' }).press('Enter')
  await expect(page.getByRole('alert').filter({ hasText: 'at most 5200' })).toBeVisible()
  await page.getByRole('textbox', { name: 'altitude, m' }).press('Escape')
  await page.getByLabel(/both through the tap/).check()
  await expect(page.getByText('Every planner follows')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel(/both through the tap/)).toBeChecked()
  const second = page.getByRole('region', { name: 'Apparatus 2' })
  await second.getByRole('button', { name: 'Add it' }).click()
  await expect(second.getByRole('alert')).toContainText('Name the standard')
  await second.getByLabel('standard of a new standard of Apparatus 2').fill('acetanilide')
  await second.getByLabel('true, °C of a new standard of Apparatus 2').fill('114.3')
  await second.getByLabel('read, °C of a new standard of Apparatus 2').fill('116.0')
  await second.getByLabel('read, °C of a new standard of Apparatus 2').press('Enter')
  await expect(second.getByRole('cell', { name: 'acetanilide', exact: true })).toBeVisible()
  await second.getByRole('button', { name: 'Take out acetanilide of Apparatus 2' }).click()
  await expect(second.getByRole('cell', { name: 'acetanilide', exact: true })).toHaveCount(0)
  await page.getByLabel('how it is known').selectOption('kPa')
  await page.getByRole('textbox', { name: 'pressure, kPa' }).fill('99.4')
  await page.getByRole('textbox', { name: 'pressure, kPa' }).press('Enter')
  await page.getByLabel(/bottom through the tap/).check()
  await expect(page.getByText('water boils at 99.5 °C')).toBeVisible()

  const other = await (await browser.newContext()).newPage()
  await signIn(other, demonstrator, base)
  await other.goto(`${base}/reference/laboratory`)
  await expect(other.getByText('Only the course owner changes this.')).toBeVisible()
  await expect(other.getByRole('textbox', { name: 'pressure, kPa' })).toBeDisabled()
  await leave(other)
})

test('a test in tubes is planned with control and blank', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  await page.getByRole('combobox', { name: 'Add a step' }).fill('test')
  await page.keyboard.press('Enter')
  const panel = page.getByRole('region', { name: 'Tests, worked out' })
  await panel.getByLabel(/^test(, a usual value)?$/).selectOption('2,4-dinitrophenylhydrazine')
  await expect(panel.getByRole('list', { name: 'Tubes of the panel' }).getByRole('listitem')).toHaveCount(3)
  await expect(panel.getByText(/yellow to red precipitate/)).toBeVisible()
  await panel.getByRole('button', { name: 'Take out row 3 of tubes' }).click()
  await expect(panel.getByText(/The panel lacks a blank/)).toBeVisible()
  await expectAccessible(page)
})

test('at the bench: hot solvent by portions gives the loss again', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(3))
  const title = bench.locator('.step-face h1')
  const go = (name: string | RegExp) =>
    bench.getByRole('region', { name: 'What to enter now' }).getByRole('button', { name }).click()
  const figures = bench.getByRole('region', { name: 'Worked out from our figures' })
  await expect(title).toHaveText('Cool in ice')
  await go('Write a temperature')
  await writeReading(bench, '4')
  await expect(bench.locator('.wrote')).toContainText('4 °C')
  await go('It is over')
  await go('Done')
  await expect(title).toHaveText('Weigh, crude')
  await go('It shows zero: tared')
  await writeReading(bench, '4.71')
  await expect(title).toHaveText('Crystallise')
  await go('Portion by portion')
  await writeReading(bench, '60')
  await expect(figures).toContainText('60 mL do not dissolve it')
  await writeReading(bench, '360')
  // 420 mL × 0.46 g ÷ 100 mL, and 100 · 4.71 g · 0.1 ÷ 0.46 g
  await expect(figures).toContainText('1.93 g')
  await expect(figures).toContainText('Boil down to 102 mL')
  await bench.getByRole('button', { name: 'What is in it' }).click()
  const inside = bench.getByRole('region', { name: 'What is in it' })
  // What this bench weighed damp stands in the flask: of 4.71 g some two thirds, and the rest of it is water that clung.
  await inside.getByRole('button', { name: /Solution in water/ }).click()
  await expect(inside.getByRole('row', { name: /^acetanilide/ })).toContainText('3.1 g (2.3 to 3.9)')
  await expectAccessible(bench)
  await go('All of it has dissolved')
  await expect(bench.getByRole('region', { name: 'What to enter now' })).toContainText('Crystals are out')
  await bench.reload()
  await expect(figures).toContainText('1.93 g')
  await leave(bench)
})

test('at the bench: time inside the band counts from the onset', async ({ browser }) => {
  const bench = await openBench(browser, codeToday(1))
  const figures = bench.getByRole('region', { name: 'Worked out from our figures' })
  await expect(figures).toContainText('it boils at')
  // Without the network the reading is kept, and a picture that cannot be fetched does not stop the work.
  await bench.context().setOffline(true)
  for (const reading of ['117', '119']) {
    await bench.getByRole('button', { name: 'Write a temperature' }).click()
    await writeReading(bench, reading)
  }
  await expect(figures).toContainText('inside the band')
  await expect(figures).toContainText('The picture could not be loaded')
  await expect(bench.locator('.wrote')).toContainText('kept on this tablet')
  await bench.context().setOffline(false)
  await bench.reload()
  await expect(figures.getByRole('img', { name: /Temperature, with the band/ })).toBeVisible()
  await expect(bench.locator('.wrote')).not.toContainText('kept on this tablet')
  await leave(bench)
})
