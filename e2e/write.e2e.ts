/** A preparation written from nothing, and what goes in and out of the Desk. */
import { expect, test, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { cell, expectAccessible, openDesk, owner, reader, saved, signIn } from './support'

const picker = (page: Page, name: string | RegExp) => page.getByRole('combobox', { name })
const add = (page: Page) => picker(page, 'Add a substance: name or formula')
const addStep = (page: Page) => picker(page, 'Add a step')
const step = (page: Page, title: string) => page.getByRole('button', { name: title, exact: true })

/** Counts what a person does: a word typed, a key pressed, a click. */
function counted(page: Page) {
  let count = 0
  return {
    type: async (text: string) => {
      count++
      await page.keyboard.type(text)
    },
    press: async (key: string) => {
      count++
      await page.keyboard.press(key)
    },
    pick: async (text: string) => {
      count += 2
      await page.keyboard.type(text)
      await expect(page.locator('.picker [role=option]:visible').first()).toBeVisible()
      await page.keyboard.press('Enter')
    },
    get count() {
      return count
    },
  }
}

test('by keyboard alone, a new preparation in under 40 interactions', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/desk/new')
  await expect(page.getByLabel('Title')).toBeFocused()
  const hand = counted(page)
  await hand.type('Isopentyl acetate, new')
  // Past what it does: it makes a substance.
  await hand.press('Tab')
  await hand.press('Tab')
  await hand.pick('isopentyl alc')
  await hand.press('Tab')
  await hand.pick('isopentyl ace')
  await hand.press('Tab')
  await hand.press('Enter')
  // The first that is written on a server that has just started.
  await expect(page.getByRole('heading', { name: 'Isopentyl acetate, new', level: 1 })).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText('How much isopentyl alcohol?')).toBeVisible()

  await add(page).focus()
  await hand.pick('acetic acid')
  await expect(cell(page, 'ratio of acetic acid')).toBeFocused()
  await hand.type('1.50')
  await hand.press('Enter')
  await cell(page, 'volume of isopentyl alcohol').focus()
  await hand.type('5.4 mL')
  await hand.press('Enter')
  // 5.4 × 0.810 ÷ 88.150 = 49.6 mmol; × 130.187 = 6.46 g
  await expect(cell(page, 'mass of isopentyl acetate')).toHaveValue('6.5 g')
  await expect(page.getByText('The equation does not balance')).toBeVisible()

  await picker(page, /Part of the substance/).focus()
  await hand.type('by')
  await add(page).focus()
  await hand.pick('water')
  await expect(page.getByText('The equation does not balance')).toHaveCount(0)

  await addStep(page).focus()
  const steps = page.getByRole('region', { name: 'Procedure' }).locator('li[data-about]')
  for (const [at, first] of ['ass', 'cha', 'heat', 'wash', 'dist', 'disp'].entries()) {
    await addStep(page).focus()
    await hand.pick(first)
    // The step stands open before the next is asked for.
    await expect(steps).toHaveCount(2 + at)
  }
  await expect(page.getByText('No step uses acetic acid')).toBeVisible()
  await saved(page)
  expect(hand.count).toBeLessThan(40)

  // Nothing is lost on a reload, and every one of the changes can be taken back.
  await page.reload()
  await expect(step(page, 'Heat under reflux')).toBeVisible()
  await expect(page.getByRole('img', { name: 'Structure of acetic acid' })).toBeVisible()
  await page.getByRole('heading', { level: 1 }).click()
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  while (await page.getByRole('button', { name: 'Undo' }).isEnabled()) await page.keyboard.press('Control+z')
  await expect(page.getByRole('region', { name: 'Procedure' }).locator('li[data-about]')).toHaveCount(1)
  for (let change = 0; change < 10; change++) await page.keyboard.press('Control+Shift+z')
  await expect(page.getByRole('region', { name: 'Procedure' }).locator('li[data-about]')).toHaveCount(7)
  await saved(page)
})

test('by mouse: a line’s bottle, a step’s vessel, words with amounts that follow the scale', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate, new')
  await page.getByRole('table', { name: 'Reaction table' }).getByRole('button', { name: 'acetic acid', exact: true }).click()
  const line = page.getByRole('group', { name: 'Line of acetic acid' })
  await line.getByLabel('purity, %').fill('120')
  await line.getByLabel('purity, %').press('Enter')
  await expect(line.getByRole('alert')).toContainText('at most 100')
  await line.getByLabel('purity, %').fill('96')
  await line.getByLabel('purity, %').press('Enter')
  await expect(page.getByText('neat, 96 %, 1.049 g/mL')).toBeVisible()
  await line.getByLabel('measured with').selectOption('10 mL measuring cylinder')
  await page
    .getByRole('table', { name: 'Reaction table' })
    .getByRole('button', { name: 'isopentyl alcohol', exact: true })
    .click()
  await page.getByRole('group', { name: 'Line of isopentyl alcohol' }).getByRole('button', { name: 'Remove' }).click()
  await expect(page.locator('.problem[role=alert]')).toContainText('Ratios count from isopentyl alcohol')
  await page
    .getByRole('table', { name: 'Reaction table' })
    .getByRole('button', { name: 'isopentyl alcohol', exact: true })
    .click()

  await step(page, 'Assemble').click()
  const assembly = page.getByRole('group', { name: 'Step Assemble' })
  await assembly.getByRole('button', { name: 'isopentyl alcohol' }).click()
  await assembly.getByRole('button', { name: 'acetic acid' }).click()
  await assembly.getByLabel('vessel').selectOption('round-bottom')
  await assembly.getByLabel('size, mL').selectOption('100')
  // 5.4 and about 4.4 mL are 10 % of 100 mL; 25 mL holds them at 39 %.
  await expect(page.getByText('The vessel is too large')).toBeVisible()
  await page.getByRole('button', { name: 'Take 25 mL' }).click()
  await expect(page.getByText('The vessel is too large')).toHaveCount(0)
  await expect(assembly.getByLabel('size, mL')).toHaveValue('25')
  await expect(page.getByRole('listitem').filter({ hasText: 'Assemble' })).toContainText('5.4 mL isopentyl alcohol')

  await page.getByRole('button', { name: 'Scale the plan' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Scale by').selectOption('the product wanted')
  await dialog.getByLabel('amount').fill('10')
  await expect(dialog.getByRole('alert')).toContainText('with its unit')
  await dialog.getByLabel('amount').fill('10.0 g')
  await dialog.getByLabel('at a yield of, %').fill('77.4')
  // 10.0 ÷ 0.774 ÷ 6.46 g = 2.00
  await expect(dialog.getByRole('columnheader', { name: /× 2\.0/ })).toBeVisible()
  await dialog.getByRole('button', { name: 'Scale it' }).click()
  await expect(cell(page, 'volume of isopentyl alcohol')).toHaveValue('10.8 mL')
  await expect(page.getByRole('listitem').filter({ hasText: 'Assemble' })).toContainText('10.8 mL isopentyl alcohol')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(cell(page, 'volume of isopentyl alcohol')).toHaveValue('5.4 mL')
  await saved(page)
  await expectAccessible(page)
})

test('steps are moved by keyboard and by drag', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate, new')
  const order = () => page.getByRole('region', { name: 'Procedure' }).locator('li[data-about] button.opens').allTextContents()
  const before = await order()
  await step(page, 'Wash').focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect.poll(order).toEqual([...before.slice(0, 3), before[4], before[3], ...before.slice(5)])
  const grip = (title: string) => page.getByRole('listitem').filter({ hasText: title }).locator('.grip').first()
  const centre = async (title: string) => {
    const { x, y, width, height } = (await grip(title).boundingBox())!
    return { x: x + width / 2, y: y + height / 2 }
  }
  // In the middle of the window, where nothing scrolls by itself.
  await grip('Wash').evaluate((element) => element.scrollIntoView({ block: 'center' }))
  const [from, to] = [await centre('Heat under reflux'), await centre('Wash')]
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(from.x, (from.y + to.y) / 2, { steps: 4 })
  await page.mouse.move(to.x, to.y, { steps: 4 })
  await page.mouse.up()
  await expect.poll(order).toEqual(before)
  // By finger, which rests a moment first.
  const finger = await page.context().newCDPSession(page)
  await finger.send('Emulation.setTouchEmulationEnabled', { enabled: true })
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    finger.send('Input.dispatchTouchEvent', { type, touchPoints: points })
  // The rows slide to their places first.
  await page.waitForTimeout(500)
  const [above, below] = [await centre('Wash'), await centre('Heat under reflux')]
  await touch('touchStart', [below])
  await page.waitForTimeout(350)
  for (const share of [0.2, 0.5, 0.8, 1, 1.05]) {
    await touch('touchMove', [{ x: below.x, y: below.y + share * (above.y - below.y) }])
    await page.waitForTimeout(60)
  }
  await touch('touchEnd', [])
  await expect.poll(order).toEqual([...before.slice(0, 3), before[4], before[3], ...before.slice(5)])
  await page.keyboard.press('Control+z')
  await expect.poll(order).toEqual(before)
  await saved(page)
})

test('a substance of one’s own: formula and structure must agree, and a known structure is recognised', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate, new')
  await add(page).fill('pear essence')
  await page
    .locator('.picker')
    .getByRole('option', { name: /by hand/ })
    .click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByLabel('Name')).toHaveValue('pear essence')
  await dialog.getByRole('textbox', { name: 'Formula' }).fill('C7H14Q2')
  await dialog.getByRole('button', { name: 'Look at it' }).click()
  await expect(dialog.getByText(/character 6/)).toBeVisible()
  await dialog.getByRole('textbox', { name: 'Formula' }).fill('C7H12O2')
  await dialog.getByLabel(/Structure/).fill('CC(C)CCOC(C)=O')
  await dialog.getByRole('button', { name: 'Look at it' }).click()
  await expect(dialog.getByText('The structure is C7H14O2, the formula says C7H12O2')).toBeVisible()
  await dialog.getByRole('textbox', { name: 'Formula' }).fill('')
  await dialog.getByRole('button', { name: 'Look at it' }).click()
  await expect(dialog.getByText('The same structure as isopentyl acetate')).toBeVisible()
  await expect(dialog.getByRole('img', { name: /Structure of pear essence/ })).toBeVisible()
  await dialog.getByRole('button', { name: 'Leave it' }).click()
})

test('two revisions are compared line by line; scaling can be rounded to the devices', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate, new')
  await page.getByRole('button', { name: 'Publish draft 1' }).click()
  await expect(page.getByRole('button', { name: 'Publish and freeze' })).toBeDisabled()
  await page.getByLabel(/I have read the safety sheet of this draft/).check()
  await page.getByRole('button', { name: 'Publish and freeze' }).click()
  await expect(page.getByTestId('revision')).toContainText('revision 1, published')
  await page.getByRole('button', { name: 'Scale the plan' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('times').fill('0.33')
  await dialog.getByLabel(/round to what/).check()
  await expect(dialog.getByRole('columnheader', { name: 'ratio moves by' })).toBeVisible()
  // The acid is measured with a cylinder that is read to 0.05 mL: 1.46 mL become 1.45 mL.
  await expect(dialog.getByRole('row', { name: /^acetic acid/ })).toContainText('1.45 mL')
  await dialog.getByRole('button', { name: 'Scale it' }).click()
  await expect(cell(page, 'volume of acetic acid')).toHaveValue('1.45 mL')
  await saved(page)
  await page.reload()
  await page.getByRole('link', { name: 'what changed since 1' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('what changed')
  const row = page.getByRole('row', { name: /amount of isopentyl alcohol/ })
  await expect(row.getByRole('deletion')).toHaveText('5.4 mL')
  await expect(row.getByRole('insertion')).toHaveText('1.8 mL')
  await expectAccessible(page)
})

test('each kind of step opens with its own fields, a line with those of its bottle; all of it can be taken back', async ({
  page,
}) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzil')
  const strip = page.getByRole('region', { name: 'Procedure' })
  const before = await strip.locator('li[data-about]').count()
  const added: [string, string, string[]][] = [
    ['charge', 'Charge', ['line', 'measured by', 'device']],
    ['hold', 'Hold', ['clock, min']],
    ['weigh', 'Weigh', ['sample', 'device']],
    ['cryst', 'Crystallise', ['solvent', 'from sample', 'to sample']],
    ['melt', 'Melt', ['sample']],
    ['send', 'Send a sample', ['hands on, min', 'waiting, min']],
  ]
  for (const [typed, title, fields] of added) {
    await addStep(page).fill(typed)
    await addStep(page).press('Enter')
    const editor = page.getByRole('group', { name: `Step ${title}`, exact: true })
    for (const field of [...fields, 'title', 'until', 'what to do', 'caution'])
      await expect(editor.getByLabel(field, { exact: true })).toBeVisible()
    await expect(editor.getByLabel('a demonstrator signs')).toBeVisible()
  }
  const last = page.getByRole('group', { name: 'Step Send a sample' })
  await last.getByLabel('title', { exact: true }).fill('')
  await last.getByLabel('title', { exact: true }).press('Enter')
  await expect(last.getByRole('alert')).toHaveText('A title is needed.')
  await last.getByLabel('title', { exact: true }).fill('Send a vial')
  await last.getByLabel('title', { exact: true }).press('Enter')
  await page.getByRole('group', { name: 'Step Send a vial' }).getByLabel('waiting, min').fill('soon')
  await page.getByRole('group', { name: 'Step Send a vial' }).getByLabel('waiting, min').press('Enter')
  await expect(page.getByRole('group', { name: 'Step Send a vial' }).getByRole('alert')).toBeVisible()
  await page.getByRole('group', { name: 'Step Send a vial' }).getByRole('button', { name: 'Up', exact: true }).click()
  await page.getByRole('group', { name: 'Step Send a vial' }).getByRole('button', { name: 'Remove' }).click()
  await expect(strip.locator('li[data-about]')).toHaveCount(before + added.length - 1)
  await addStep(page).fill('zzz')
  await expect(page.getByRole('listbox', { name: 'Operations' }).getByRole('option')).toHaveText([
    'Make “zzz” an operation of our own …',
  ])
  await addStep(page).press('Escape')

  const table = page.getByRole('table', { name: 'Reaction table' })
  await table.getByRole('button', { name: 'nitric acid', exact: true }).click()
  const line = page.getByRole('group', { name: 'Line of nitric acid' })
  await expect(line.getByLabel('% w/w')).toHaveValue('70')
  await line.getByLabel('in the bottle').selectOption('solution, mol/L')
  await line.getByLabel('mol/L', { exact: true }).fill('16')
  await line.getByLabel('mol/L', { exact: true }).press('Enter')
  // 14.0 mL × 16 mol/L = 224 mmol
  await expect(cell(page, String.raw`amount of nitric acid \(also the solvent\)`)).toHaveValue('224 mmol')
  await line.getByLabel('note').fill('in excess')
  await line.getByLabel('note').press('Tab')
  await expect(table.getByText('16 mol/L solution, in excess')).toBeVisible()
  await line.getByRole('button', { name: 'Up', exact: true }).click()
  await expect(table.locator('tbody tr').first()).toContainText('nitric acid')

  await page.getByRole('heading', { level: 1 }).click()
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  while (await page.getByRole('button', { name: 'Undo' }).isEnabled()) await page.keyboard.press('Control+z')
  await expect(strip.locator('li[data-about]')).toHaveCount(before)
  await expect(table.locator('tbody tr').first()).toContainText('benzoin')
  await saved(page)
})

test('the words around the plan, and its scale by the limiting reagent and by a bottle', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzilic acid')
  await page.getByRole('button', { name: 'Change the words' }).click()
  const words = page.getByRole('group', { name: 'Words of the plan' })
  await words.getByLabel('own words on the safety sheet').fill('The hood of bench 4 is out of order.')
  await words.getByLabel('own words on the safety sheet').press('Enter')
  await words.getByLabel('to, %').fill('120')
  await words.getByLabel('to, %').press('Enter')
  await expect(words.getByRole('alert')).toContainText('at most 100')
  await words.getByLabel('to, %').press('Escape')
  await words.getByLabel('expected yield from, %').fill('60')
  await words.getByLabel('expected yield from, %').press('Enter')
  // Theory 2.17 g: 60 % is 1.30 g
  await expect(page.getByText('expect 1.30 to 1.85 g (60–85 %)')).toBeVisible()
  const dialog = page.getByRole('dialog')
  await page.getByRole('button', { name: 'Scale the plan' }).click()
  await dialog.getByLabel('Scale by').selectOption('limiting')
  await dialog.getByLabel('amount').fill('1.00 g')
  await expect(dialog.getByRole('columnheader', { name: '× 0.500' })).toBeVisible()
  await dialog.getByLabel('Scale by').selectOption('a bottle on the shelf')
  await dialog.getByLabel('holds').fill('25 g')
  await dialog.getByLabel('for groups').fill('16.5')
  await expect(dialog.getByRole('alert')).toContainText('whole numbers')
  await dialog.getByLabel('for groups').fill('16')
  // 25 g for 16 groups is 1.5625 g each, planned 2.00
  await expect(dialog.getByRole('columnheader', { name: '× 0.781' })).toBeVisible()
  await expect(dialog.getByRole('columnheader', { name: '16 groups' })).toBeVisible()
  await expect(dialog.getByRole('row', { name: /^benzil 2\.00 g 1\.56 g 25\.0 g/ })).toBeVisible()
  await dialog.getByLabel('Scale by').selectOption('a factor')
  await dialog.getByLabel('times').fill('0')
  await expect(dialog.getByRole('alert')).toContainText('more than zero')
  await expect(dialog.getByRole('button', { name: 'Scale it' })).toBeDisabled()
  await page.keyboard.press('Escape')
  await saved(page)
  await page.getByRole('link', { name: 'Safety sheet' }).click()
  await expect(page.getByText('The hood of bench 4 is out of order.')).toBeVisible()
})

test('the plan file goes out and comes in as it was; a broken one is told where', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate, new')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Plan file' }).click()])
  expect(download.suggestedFilename()).toBe('isopentyl-acetate-new-2.mozle.json')
  const text = readFileSync(await download.path(), 'utf8')
  const [table] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Table as CSV' }).click()])
  expect(readFileSync(await table.path(), 'utf8')).toMatch(/isopentyl alcohol,C5H12O,reactant,1,88\.1\d+,1\.4/)

  const [drawn] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Structures' }).click()])
  expect(readFileSync(await drawn.path(), 'utf8').match(/M  END/g)).toHaveLength(4)

  await page.goto('/desk/new')
  const take = (buffer: string) =>
    page.getByLabel('Plan file').setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(buffer) })
  await take('{"format": "mozle-plan",')
  await expect(page.locator('.problem[role=alert]')).toContainText('This is not JSON')
  await take(text.replace('"version": 3', '"version": 9'))
  await expect(page.locator('.problem[role=alert]')).toContainText('version 9')
  await take(text.replace('C5H12O', 'C5Hx12O'))
  await expect(page.locator('.problem[role=alert]')).toContainText('/substances/0/formula')
  await take(text.replace('"title": "Isopentyl acetate, new"', '"title": "Isopentyl acetate, copy"'))
  await expect(page.getByRole('heading', { name: 'Isopentyl acetate, copy', level: 1 })).toBeVisible()
  const [again] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Plan file' }).click()])
  expect(readFileSync(await again.path(), 'utf8')).toBe(
    text.replace('"title": "Isopentyl acetate, new"', '"title": "Isopentyl acetate, copy"'),
  )
})

test('the Reference finds by any name or formula, keyboard first, with sources', async ({ page }) => {
  await signIn(page, reader)
  await page.getByRole('link', { name: 'Reference' }).click()
  const search = page.getByRole('searchbox')
  await expect(search).toBeFocused()
  await expectAccessible(page)
  await search.fill('zzzz')
  await expect(page.getByText('Nothing is called “zzzz”')).toBeVisible()
  await search.fill('CuSO4.5H2O')
  await page.keyboard.press('Enter')
  const card = page.getByRole('article')
  await expect(card.getByRole('heading', { name: 'copper(II) sulfate pentahydrate' })).toBeVisible()
  await expect(card).toContainText('249.68')
  await expect(card.getByRole('img', { name: 'GHS09, harmful to the environment' })).toBeVisible()
  await expect(card).toContainText('H410 Very toxic to aquatic life with long lasting effects')
  await expect(card).toContainText('P273 Avoid release to the environment')
  await search.fill('ether')
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('.found [aria-current="true"]')).toHaveCount(1)
  await search.fill('toluen')
  await page.keyboard.press('Enter')
  await expect(card).toContainText('6.95464')
  await expect(card).toContainText('Lange’s Handbook')
  await expectAccessible(page)
})

test('a reader reads and cannot write', async ({ page }) => {
  await signIn(page, reader)
  await page.goto('/desk/new')
  await expect(page.getByRole('heading', { name: 'A new preparation' })).toHaveCount(0)
  await page.goto('/')
  // There is nothing to make ready for who only reads.
  await expect(page.getByRole('link', { name: 'Class', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Stores', exact: true })).toHaveCount(0)
  await openDesk(page, 'Acetanilide')
  await expect(addStep(page)).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Scale the plan' })).toHaveCount(0)
})

test('the safety sheet says what can hurt, what to wear, what to do, and who decides', async ({ page }) => {
  await signIn(page, reader)
  await openDesk(page, '2-Methylhexan-2-ol')
  await page.getByRole('link', { name: 'Safety sheet' }).click()
  const sheet = page.getByRole('article')
  await expect(sheet).toContainText('safety data sheets, your local rules and the qualified person in charge decide')
  const ether = sheet.getByRole('row', { name: /diethyl ether/ })
  await expect(ether.getByRole('img', { name: 'GHS02, flammable' })).toBeVisible()
  await expect(ether).toContainText('H224 Extremely flammable liquid and vapour')
  await expect(sheet).toContainText('Never add the rest before it has started')
  await expect(sheet).toContainText('P305+P351+P338 If in eyes')
  await expect(sheet).toContainText('halogenated organic: 1-bromobutane')
  await expect(sheet).toContainText('Nothing is on record about magnesium bromide hydroxide')
  await expectAccessible(page)
})
