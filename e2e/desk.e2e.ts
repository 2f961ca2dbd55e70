import { expect, test } from '@playwright/test'
import { cell, leave, openDesk, owner, saved, secondServer, signIn } from './support'

test.describe.configure({ mode: 'serial' })

test('today shows the session on now, the next one and what waits', async ({ page }) => {
  await signIn(page, owner)
  // Other tests of this stand may have sessions on too.
  await expect(page.locator('.session-line.on').filter({ hasText: 'Acetanilide, Section B' })).toBeVisible()
  await expect(page.getByText('Benzoin, Section A', { exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: /^Benzoin, Section A: not enough of / })).toBeVisible()
  await expect(page.getByText('Bench 2 waits for a signature')).toBeVisible()
  await expect(page.getByText(/Bench 3: Above 100 %/)).toBeVisible()
})

test('acetanilide: structures, ink and pencil, limiting reagent, workings', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Acetanilide')
  await expect(page.getByRole('img', { name: 'Structure of aniline' })).toBeVisible()
  await expect(page.getByLabel('Coefficient of aniline')).toHaveValue('1')
  await expect(cell(page, 'volume of aniline')).toHaveValue('4.00 mL')
  await expect(cell(page, 'mass of aniline')).toHaveValue('4.09 g')
  await expect(cell(page, 'mass of acetanilide')).toHaveValue('5.87 g')
  await expect(page.getByRole('textbox', { name: 'volume of aniline, typed' })).toBeAttached()
  await expect(page.getByRole('textbox', { name: 'mass of aniline, derived' })).toBeAttached()
  await expect(page.getByRole('row', { name: /aniline neat/ })).toContainText('sets the limit')
  await cell(page, 'mass of acetanilide').focus()
  const note = page.locator('.working')
  await expect(note).toContainText('Working: Theoretical yield')
  await expect(note).toContainText('4.00 mL × 1.022 g/mL × 0.99')
  await expect(note).toContainText('In full: 5.873927798 g.')
  await expect(note).toContainText('± 0.19 g from the 10 mL measuring cylinder.')
  await expect(note).toContainText('Handbook')
  await page.getByRole('button', { name: /acetic anhydride 20 % in excess/ }).focus()
  await expect(note).toContainText('Excess of acetic anhydride')
  // = goes to the working, all of it in the window, and Esc comes back to the figure.
  await cell(page, 'mass of acetanilide').focus()
  await page.keyboard.press('=')
  await expect(note).toBeFocused()
  await expect(note).toBeInViewport({ ratio: 1 })
  await page.keyboard.press('Escape')
  await expect(cell(page, 'mass of acetanilide')).toBeFocused()
})

test('any figure of any row can be changed and the rest follows while typing; what is refused keeps what was typed', async ({
  page,
}) => {
  await signIn(page, owner)
  await openDesk(page, 'Acetanilide')
  const yieldCell = cell(page, 'mass of acetanilide')
  await cell(page, 'volume of aniline').fill('2.00 mL')
  await expect(yieldCell).toHaveValue('2.94 g')
  await page.keyboard.press('Escape')
  await expect(yieldCell).toHaveValue('5.87 g')
  for (const [label, typed, other, becomes] of [
    ['mass of aniline', '2.044 g', 'volume of aniline', '2.000 mL'],
    ['amount of acetic anhydride', '30.0 mmol', 'mass of acetanilide', '2.94 g'],
    ['ratio of acetic anhydride', '0.50', 'amount of acetic anhydride', '10.9 mmol'],
    ['mass of zinc dust', '250 mg', 'amount of zinc dust', '3.82 mmol'],
    ['mass of acetanilide', '5.00 g', 'ratio of acetic anhydride', '0.50'],
  ] as const) {
    await cell(page, label.replace('zinc dust', 'zinc dust \\(.*\\)')).fill(typed)
    await page.keyboard.press('Enter')
    await expect(cell(page, other.replace('zinc dust', 'zinc dust \\(.*\\)'))).toHaveValue(becomes)
  }
  await expect(yieldCell).toHaveValue('5.0 g')
  for (const [typed, message] of [
    ['4.00', 'Say the unit: 4.00 mL or 4.00 µL'],
    ['-3 mL', 'cannot be negative'],
    ['lots', 'does not begin with a number'],
    ['4 g', 'is a mass; this place holds a volume'],
  ] as const) {
    await cell(page, 'volume of aniline').fill(typed)
    await page.keyboard.press('Tab')
    await expect(page.getByRole('alert').filter({ hasText: message })).toBeVisible()
    await expect(cell(page, 'volume of aniline')).toHaveValue(typed)
  }
  await cell(page, 'volume of aniline').focus()
  await page.keyboard.press('Escape')
  await expect(page.locator('.reaction [role=alert]')).toHaveCount(0)
  await saved(page)

  // Back to the first change, with a reload on the way.
  await page.reload()
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  for (let step = 0; step < 5; step++) await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
  await expect(yieldCell).toHaveValue('5.87 g')
  await expect(cell(page, 'volume of aniline')).toHaveValue('4.00 mL')
  for (let step = 0; step < 5; step++) await page.keyboard.press('Control+Shift+z')
  await expect(yieldCell).toHaveValue('5.0 g')
  for (let step = 0; step < 5; step++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(yieldCell).toHaveValue('5.87 g')
  await saved(page)
})

test('benzoin: the coefficient decides, and changing the 2 to 1 raises the query at once', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  await expect(page.getByLabel('Coefficient of benzaldehyde')).toHaveValue('2')
  await expect(cell(page, 'mass of benzoin')).toHaveValue('10.3 g')
  await page.getByLabel('Coefficient of benzaldehyde').fill('1')
  await page.keyboard.press('Enter')
  const margin = page.getByRole('complementary')
  await expect(margin.getByText('The equation does not balance')).toBeVisible()
  await expect(margin.getByText(/C: 7 on the left, 14 on the right/)).toBeVisible()
  await expect(cell(page, 'mass of benzoin')).toHaveValue('20.7 g')

  await margin.getByRole('button', { name: 'Answer' }).click()
  await margin.getByRole('textbox').fill('Only to show the class')
  await margin.getByRole('button', { name: 'Keep this answer' }).click()
  await expect(margin.getByText('Answered: Only to show the class')).toBeVisible()
  await margin.getByRole('button', { name: 'Take the answer back' }).click()
  await margin.getByRole('button', { name: 'Set 2 benzaldehyde' }).click()
  await expect(margin.getByText('The equation does not balance')).toHaveCount(0)
  await expect(cell(page, 'mass of benzoin')).toHaveValue('10.3 g')
  await page.getByLabel('Coefficient of benzaldehyde').fill('0')
  await page.keyboard.press('Enter')
  await expect(page.locator('.coefficient [role=alert]')).toContainText('more than zero')
  await saved(page)
})

test('by keyboard alone: sign in, open a preparation, change a figure, see its working, undo', async ({ page }) => {
  await page.goto('/sign-in')
  await page.keyboard.type(owner.signIn)
  await page.keyboard.press('Tab')
  await page.keyboard.type(owner.password)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
  const tabTo = async (name: string) => {
    for (let step = 0; step < 60; step++) {
      await page.keyboard.press('Tab')
      if (
        (
          await page.evaluate(
            () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? '',
          )
        ).startsWith(name)
      )
        return
    }
    throw new Error(`Tab does not reach ${name}`)
  }
  await tabTo('Desk')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible()
  await tabTo('Acetanilide')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('table', { name: 'Reaction table' })).toBeVisible()
  await tabTo('mass of aniline')
  await expect(page.locator('.working')).toContainText('Mass of aniline')
  await page.keyboard.press('ArrowRight')
  await expect(page.locator(':focus')).toHaveAttribute('aria-label', /^volume of aniline/)
  await page.keyboard.type('3.00 mL')
  await page.keyboard.press('ArrowDown')
  await expect(page.locator(':focus')).toHaveAttribute('aria-label', /^volume of acetic anhydride/)
  await expect(cell(page, 'mass of acetanilide')).toHaveValue('4.41 g')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowDown')
  await expect(page.locator(':focus')).toHaveAttribute('aria-label', /^mass of acetic acid/)
  await page.keyboard.press('Control+z')
  await expect(cell(page, 'mass of acetanilide')).toHaveValue('5.87 g')
  await saved(page)
})

test('two windows on one draft: neither overwrites the other silently', async ({ page, browser }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  // The other window is served by the other process.
  const other = await (await browser.newContext({ baseURL: secondServer, viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(other, owner)
  await openDesk(other, 'Benzoin')
  await cell(page, 'volume of benzaldehyde').fill('8.0 mL')
  await page.keyboard.press('Enter')
  await saved(page)
  await cell(other, 'volume of benzaldehyde').fill('9.0 mL')
  await other.keyboard.press('Enter')
  await expect(other.getByText(/saved this draft in another window/)).toBeVisible()
  await expect(cell(other, 'volume of benzaldehyde')).toHaveValue('9.0 mL')
  await other.getByRole('button', { name: 'Take theirs' }).click()
  await expect(cell(other, 'volume of benzaldehyde')).toHaveValue('8.0 mL')
  await leave(other)
})

test('with the server out of reach nothing typed is lost', async ({ page, context }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  await context.setOffline(true)
  await cell(page, 'volume of benzaldehyde').fill('10.0 mL')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('revision')).toContainText('kept on this device')
  await context.setOffline(false)
  await saved(page)
  await page.reload()
  await expect(cell(page, 'volume of benzaldehyde')).toHaveValue('10.0 mL')
})

test('publishing freezes the revision; a change afterwards makes a new draft', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzoin')
  await page.getByRole('button', { name: /Publish draft 2/ }).click()
  await expect(page.getByRole('button', { name: 'Publish and freeze' })).toBeDisabled()
  await page.getByLabel(/I have read the safety sheet of this draft/).check()
  await page.getByRole('button', { name: 'Publish and freeze' }).click()
  await expect(page.getByTestId('revision')).toContainText('revision 2, published')
  await cell(page, 'volume of benzaldehyde').fill('12.0 mL')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('revision')).toContainText(/draft 3, saved/)
  await page.reload()
  await page.getByRole('link', { name: '2', exact: true }).click()
  await expect(page.getByTestId('revision')).toContainText('revision 2, published')
  await expect(cell(page, 'volume of benzaldehyde')).toHaveValue('10.0 mL')
  await expect(cell(page, 'volume of benzaldehyde')).not.toBeEditable()
  // Nothing that this window keeps of the draft comes to stand on it.
  await page.waitForLoadState('networkidle')
  await expect(cell(page, 'volume of benzaldehyde')).toHaveValue('10.0 mL')
})
