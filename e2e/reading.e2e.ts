import { readFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, test, type Page } from '@playwright/test'
import { docxOf, pdfOf } from '../src/test-support/handoutFiles'
import { handOf } from './hand'
import { expectAccessible, openDesk, owner, saved, signIn } from './support'

const shipped = fileURLToPath(new URL('../src/test-support', import.meta.url))
const fourteen = readFileSync(path.join(shipped, 'fourteenSteps.txt'), 'utf8')
const handout = (name: string) => readFileSync(path.join(shipped, 'handouts', `${name}.txt`), 'utf8').split('=====')[0]!

const text = (page: Page) => page.getByLabel('Text of a handout')
const row = (page: Page, name: string | RegExp) => page.getByRole('listitem', { name, exact: typeof name === 'string' })
const rows = (page: Page) => page.locator('.read-row')

async function paste(page: Page, words: string): Promise<void> {
  await page.goto('/desk/new/reading')
  await text(page).fill(words)
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByRole('heading', { name: 'Reading a procedure' })).toBeVisible()
}

for (const by of ['mouse', 'keyboard'] as const)
  test(
    `by ${by}, a handout of 14 steps becomes a plan with the one query that it deserves in under 60 interactions`,
    { tag: by === 'mouse' ? '@all' : [] },
    async ({ page }) => {
      await signIn(page, owner)
      await page.goto('/desk/new')
      const hand = handOf(page, by)
      await hand.press(page.getByRole('link', { name: 'Paste a procedure' }))
      await expect(text(page)).toBeFocused()
      // One paste.
      await page.keyboard.insertText(fourteen)
      await hand.press(page.getByRole('button', { name: 'Read it' }))
      await expect(page.getByText('23 items ready, 1 asks, 0 sentences stay as words; nothing is kept yet')).toBeVisible()
      await expect(page.getByText('They give 6.46 g, and the text says 5.1 g.')).toBeVisible()
      if (by === 'mouse') await hand.press(row(page, /^sulfuric acid/).getByRole('button', { name: '96 %, 1.84 g/mL' }))
      else {
        // The row is reached with an arrow or two; the answer is a digit.
        await row(page, /^sulfuric acid/).focus()
        await page.keyboard.press('1')
      }
      await hand.press(page.getByRole('button', { name: 'Take all (24)' }))
      await expect(page.getByRole('heading', { name: 'Isopentyl acetate', level: 1 })).toBeVisible()
      await expect(page.getByRole('region', { name: 'Procedure' }).locator('li[data-about]')).toHaveCount(16)
      // Acid and bicarbonate of the washings in one bottle: the handout does not say how that is kept from bursting it.
      await expect(page.getByRole('button', { name: 'Answer', exact: true })).toHaveCount(1)
      await expect(page.getByText('sodium bicarbonate meets sulfuric acid in the container aqueous, harmless')).toBeVisible()
      await expect(page.getByRole('textbox', { name: /^volume of isopentyl alcohol,/ })).toHaveValue('5.4 mL')
      expect(hand.count).toBeLessThan(59)
      // What was read follows the scale as any plan does.
      await page.getByRole('textbox', { name: /^volume of isopentyl alcohol,/ }).fill('10.8 mL')
      await page.keyboard.press('Enter')
      await expect(page.getByRole('textbox', { name: /^mass of isopentyl acetate,/ })).toHaveValue('12.9 g')
      await saved(page)
    },
  )

test('what is doubtful asks, is answered, changed, left out and taken back by keyboard; a reload keeps it', async ({ page }) => {
  await signIn(page, owner)
  await paste(page, handout('07-nitrobenzoate'))
  await expectAccessible(page)
  const sure = page.getByRole('button', { name: /^Take (what is sure|all)/ })
  await expect(sure).toHaveText(/^Take what is sure/)
  const acid = row(page, /^sulfuric acid/).first()
  await acid.focus()
  await page.keyboard.press('1')
  await expect(acid).toHaveAccessibleName('sulfuric acid: ready')
  await page.keyboard.press('ArrowDown')
  await expect(row(page, /^methyl benzoate/)).toBeFocused()
  await page.keyboard.press('Delete')
  await expect(row(page, 'methyl benzoate: left out')).toBeFocused()
  await page.keyboard.press('Control+z')
  await expect(row(page, 'methyl benzoate: ready')).toBeVisible()
  await page.keyboard.press('Control+Shift+z')
  await expect(row(page, 'methyl benzoate: left out')).toBeVisible()
  await page.keyboard.press('Control+z')

  // An amount is changed, and a bad one is kept with what would be right.
  await row(page, 'methyl benzoate: ready').focus()
  await page.keyboard.press('Enter')
  const amount = row(page, /^methyl benzoate/).getByLabel('Amount')
  await expect(amount).toBeFocused()
  await amount.fill('five')
  await amount.press('Enter')
  await expect(row(page, /^methyl benzoate/).getByRole('alert')).toContainText('for example 4.09 g')
  await expect(amount).toHaveValue('five')
  await amount.fill('2.8 mL')
  await amount.press('Enter')
  await expect(row(page, /^methyl benzoate/)).toContainText('2.8 mL')

  // A step becomes another, with the words it was read from beside it.
  const hold = row(page, /^Hold/)
  await hold.getByRole('button', { name: 'Change Hold' }).click()
  await hold.getByLabel('for how long, min').fill('20')
  await hold.getByLabel('for how long, min').press('Enter')
  await expect(hold).toContainText('Let stand for 20 min.')
  await expect(page.locator('.handout-text mark.on')).toHaveText(['stand', '15 min'])

  await page.reload()
  await expect(row(page, /^methyl benzoate/)).toContainText('2.8 mL')
  await expect(row(page, /^Hold/)).toContainText('Let stand for 20 min.')
  await expect(row(page, 'sulfuric acid: ready').first()).toBeVisible()

  // What still asks is not in the plan.
  await page.getByRole('button', { name: /^Take what is sure/ }).click()
  await expect(page.getByRole('textbox', { name: /^volume of methyl benzoate,/ })).toHaveValue('2.8 mL')
  await expect(page.getByRole('textbox', { name: /^volume of nitric acid,/ })).toHaveCount(0)
})

test('what is made is said where the text does not say it, and the equation follows', async ({ page }) => {
  await signIn(page, owner)
  await paste(page, handout('13-acetanilide-table'))
  await expect(page.getByText('It makes nothing that is counted.')).toBeVisible()
  await page.getByRole('combobox', { name: 'It makes: name or formula' }).fill('acetanilide')
  await page.locator('.picker [role=option]:visible').first().click()
  await expect(page.locator('.headline')).toContainText('It makes acetanilide')
  await expect(row(page, 'acetanilide: follows')).toBeVisible()
  await expect(row(page, /^aniline/)).toContainText('reactant')
})

test.describe('files are read on this machine', () => {
  test.beforeEach(async ({ page }) => {
    await signIn(page, owner)
    await page.goto('/desk/new/reading')
  })
  const drop = (page: Page, name: string, content: Uint8Array | string) =>
    page.getByLabel('From a file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) })

  test('.docx, .pdf, .html and .md', async ({ page }) => {
    const deed = 'with 14 mL of conc. nitric acid for 10 min at 95 °C.'
    for (const [kind, content] of [
      ['docx', docxOf(['Benzil', ['Substance', 'Amount'], ['benzoin', '4.0 g'], `Heat the benzoin ${deed}`])],
      ['pdf', pdfOf(['Benzil', `Heat 4.0 g of benzoin ${deed}`])],
      ['html', `<h1>Benzil</h1><p>Heat 4.0&nbsp;g of benzoin ${deed}</p>`],
      ['md', `# Benzil\n\nHeat **4.0 g** of benzoin ${deed}`],
    ] as const) {
      await drop(page, `benzil.${kind}`, content)
      await expect(row(page, 'benzoin: ready')).toContainText('4.0 g')
      await expect(row(page, /^Heat and hold/)).toContainText('10 min')
      await expect(page.locator('.headline')).toContainText('It makes benzil')
      await page.getByRole('button', { name: 'Another text' }).click()
    }
  })

  test('a scan, nothing, garbage and a damaged document are met with words', async ({ page }) => {
    await text(page).fill('Heat 4.0 g of benzoin.')
    for (const [name, content, words] of [
      ['scan.pdf', pdfOf([]), 'scan.pdf is a picture of a page: it carries no text.'],
      ['empty.txt', '', 'empty.txt is empty.'],
      ['garbage.txt', Uint8Array.from({ length: 400 }, (_, index) => (index * 7) % 9), 'garbage.txt is no text.'],
      ['broken.docx', 'PK\u0003\u0004', 'broken.docx could not be opened as a .docx.'],
    ] as const) {
      await drop(page, name, content)
      await expect(page.locator('.paste').getByRole('alert')).toContainText(words)
      // What stood there is kept.
      await expect(text(page)).toHaveValue('Heat 4.0 g of benzoin.')
    }
  })

  test('a novel gives nothing, and says so', async ({ page }) => {
    await text(page).fill(
      'She put the letter down and looked at the sea. It was a long time before anybody spoke, and longer before they laughed.\n\n'.repeat(
        40,
      ),
    )
    await page.keyboard.press('Control+Enter')
    await expect(page.getByRole('heading', { name: 'No procedure was found in this text' })).toBeVisible()
    await expect(rows(page)).toHaveCount(0)
    await page.getByRole('button', { name: 'Another text' }).click()
    await expect(text(page)).toBeVisible()
  })
})

test('at 360 px the text stands above what was read', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 800 })
  await signIn(page, owner)
  await paste(page, handout('02-isopentyl-acetate'))
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
  await expectAccessible(page)
})

test('a spreadsheet’s rows, a scheme and a file of structures', async ({ page }) => {
  await signIn(page, owner)
  await paste(page, 'Substance\tAmount\tmmol\naniline\t4.0 mL\t44\nacetic anhydride\t5.0 mL\t53\n')
  await expect(rows(page)).toHaveCount(2)
  await expect(row(page, 'aniline: ready')).toContainText('4.0 mL')
  await page.getByRole('button', { name: 'Another text' }).click()
  await text(page).fill('Nc1ccccc1.CC(=O)OC(C)=O>>CC(=O)Nc1ccccc1')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByText('C: 10 on the left, 8 on the right')).toBeVisible()
  await expect(row(page, 'acetanilide: follows')).toBeVisible()
  await page.getByRole('button', { name: 'Another text' }).click()
  await text(page).fill('Qq>>CC=O')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.locator('.paste').getByRole('alert')).toContainText('neither SMILES')
})

test('a plan is printed for students, for the stores and for a paper, on either paper and in the words that were chosen', async ({
  page,
}) => {
  await signIn(page, owner)
  await openDesk(page, 'Acetanilide')
  await page.getByRole('link', { name: 'Handout', exact: true }).click()
  const sheet = page.locator('.sheet')
  await expect(sheet.getByRole('row', { name: /^aniline 4\.00 mL 43\.5 mmol/ })).toBeVisible()
  await expect(sheet).toContainText('Read the safety data sheets.')
  await expect(sheet.locator('.printed-steps > li')).not.toHaveCount(0)
  await expectAccessible(page)

  await page.getByLabel('Instructions to the stores').check()
  await expect(sheet.getByRole('row', { name: /^aniline 4 mL 53 mL/ })).toBeVisible()
  await page.getByLabel('Benches').fill('6')
  // 6 × 4.00 mL and a tenth to spare is 26.4 mL, issued as 27.
  await expect(sheet.getByRole('row', { name: /^aniline 4 mL 27 mL/ })).toBeVisible()
  await expectAccessible(page)

  await page.getByLabel('Experimental part of a paper').check()
  await expect(sheet).toContainText('Aniline (4.00 mL, 4.09 g, 43.5 mmol, 1.00 equiv)')
  await expectAccessible(page)

  // On paper nothing of the tools, and the paper that was chosen.
  await page.getByRole('combobox', { name: 'Paper' }).selectOption('Letter')
  const letter = await page.pdf({ preferCSSPageSize: true })
  expect(letter.toString('latin1')).toMatch(/MediaBox ?\[ ?0 0 612 792 ?\]/)
  await page.getByRole('combobox', { name: 'Paper' }).selectOption('A4')
  const a4 = await page.pdf({ preferCSSPageSize: true })
  expect(a4.toString('latin1')).toMatch(/MediaBox ?\[ ?0 0 59[45](?:\.\d+)? 84[12](?:\.\d+)? ?\]/)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await page.emulateMedia({ media: 'screen' })
  await page.setViewportSize({ width: 360, height: 800 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
})
