/** What people met who had never seen the program. */
import { expect, test, type Page } from '@playwright/test'
import { ownSection } from './group'
import { choosePreparation, demonstrator, expectAccessible, made, openBench, openDesk, owner, signIn, stores } from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const pickIn = async (page: Page, name: RegExp, letters: string, shown: string) => {
  await page.getByRole('combobox', { name }).fill(letters)
  await page
    .getByRole('option', { name: new RegExp(shown) })
    .first()
    .click()
}

test('a preparation starts from several reactants; a second pick takes none away', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/desk/new')
  await page.getByLabel('Title').fill('Two and two')
  await pickIn(page, /It starts from/, 'anilin', '^aniline')
  await pickIn(page, /It starts from/, 'acetic anh', 'acetic anhydride')
  await pickIn(page, /It starts from/, 'benzaldeh', '^benzaldehyde')
  await press(page, 'Remove benzaldehyde')
  await expect(page.getByText('aniline, 93.13 g/mol')).toBeVisible()
  await expect(page.getByText('acetic anhydride, 102.09 g/mol')).toBeVisible()
  await pickIn(page, /It makes/, 'acetanil', 'acetanilide')
  await press(page, 'Write this preparation')
  // Often the first that opens a Desk at its stand.
  await expect(page.getByRole('heading', { name: 'Two and two', level: 1 })).toBeVisible({ timeout: 30_000 })
  await expect(page.locator('.reaction tr[data-about]')).toHaveCount(3)
})

test('the working of a figure goes when one goes on to a step', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Acetanilide')
  await page.getByRole('textbox', { name: /^amount of aniline/ }).focus()
  await expect(page.locator('.working')).toBeVisible()
  await page.locator('.strip button.opens').nth(2).focus()
  await expect(page.locator('.working')).toHaveCount(0)
})

test(
  'no name of a field and no number that is none reaches a page of any demo preparation',
  { tag: '@all' },
  async ({ page }) => {
    // src/demo/printed.test.ts tries the words of all plans each time.
    test.setTimeout(240_000)
    await signIn(page, owner)
    const field = /\{@?[a-z][\w-]*(?: [\d.]+ %)?\}|\bNaN\b|\bInfinity\b|\bundefined\b|(?<![\d.])[-−]0(?![.\d])/g
    const found: string[] = []
    await page.goto('/desk')
    const hrefs = await page
      .locator('main a[href^="/desk/0"]')
      .evaluateAll((all) => [...new Set(all.map((a) => a.getAttribute('href')!))])
    expect(hrefs.length).toBeGreaterThan(9)
    for (const href of hrefs)
      for (const path of [href, `${href}/handout`]) {
        await page.goto(path)
        await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
        const text = await page.locator('main').first().innerText()
        found.push(...(text.match(field) ?? []).map((each) => `${path}: ${each}`))
      }
    expect(found).toEqual([])
  },
)

test('day 2 is cancelled: day 1 and Today say it, and it can be restored', async ({ page }) => {
  await signIn(page, owner)
  const section = await ownSection(page, 1)
  await page.goto('/class/new')
  await choosePreparation(page, 'Benzoin')
  await page.getByLabel('Section').selectOption(section)
  const tomorrow = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10)
  const later = new Date(Date.now() + 9 * 86_400_000).toISOString().slice(0, 10)
  if ((await page.getByLabel('Date, day 2').count()) === 0) await press(page, 'It goes on another day')
  await page.getByLabel('Day', { exact: true }).fill(tomorrow)
  await page.getByLabel('Date, day 2').fill(later)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('Room, day 2').fill(section)
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 1 benches have begun')).toBeVisible()
  const first = page.url()
  await page.getByRole('link', { name: /^Day 2,/ }).click()
  await expect(page.getByRole('link', { name: /^Day 2,/ })).toHaveAttribute('aria-current', 'page')
  await press(page, 'Cancel it')
  await page.getByLabel('Why it is not held').fill('The hoods are being mended')
  await press(page, 'Cancel the session')
  await expect(page.getByText('This session is cancelled: The hoods are being mended')).toBeVisible()
  const second = page.url()
  await page.goto(first)
  await expect(page.getByText(/Another day of this work, .*, is cancelled: The hoods are being mended/)).toBeVisible()
  await page.goto(second)
  await press(page, 'Restore session')
  await expect(page.getByText('This session is cancelled')).toHaveCount(0)
  await page.goto(first)
  await expect(page.getByText(/is cancelled/)).toHaveCount(0)
})

test(
  'on a phone all benches stand, targets are large, one touch marks nobody absent, and nothing scrolls without the keyboard',
  { tag: '@all' },
  async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
    const page = await context.newPage()
    await signIn(page, demonstrator)
    const on = made.sessions[1]!
    await page.goto(`/class/${on.id}`)
    await expect(page.getByRole('region', { name: 'Benches now' }).getByRole('listitem')).toHaveCount(8)
    const name = page.locator('.presence .plain-name').first()
    const who = (await name.textContent())!
    expect((await name.boundingBox())!.height).toBeGreaterThanOrEqual(44)
    await name.click()
    await expect(name).not.toContainText('absent')
    await press(page, `Mark ${who} absent`)
    await expect(name).toContainText('absent')
    await name.click()
    await press(page, `Mark ${who} present`)
    await expect(name).not.toContainText('absent')
    const small = await page
      .locator('main.class .btn:visible')
      .evaluateAll((all) => all.filter((each) => each.getBoundingClientRect().height < 43.5).map((each) => each.textContent))
    expect(small).toEqual([])
    const finished = made.sessions[0]!
    await signIn(page, owner)
    for (const path of [
      `/class/${on.id}`,
      `/class/${finished.id}/results`,
      `/class/${finished.id}/${finished.runs[0]!.id}`,
      `/stores/${on.id}/labels`,
    ]) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
      await expectAccessible(page)
    }
    await context.close()
  },
)

test('after a burn the first words are about the burn, with the number to call; a spill asks what and how much', async ({
  browser,
  page,
}) => {
  await signIn(page, owner)
  const section = await ownSection(page, 1)
  await page.goto('/class/new')
  await choosePreparation(page, 'Acetanilide')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('From', { exact: true }).fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 1 benches have begun')).toBeVisible()
  const bench = await openBench(browser, (await page.locator('.cards .code').first().textContent())!)
  await press(bench, 'Something happened')
  const panel = bench.getByRole('region', { name: 'Something happened' })
  await expect(panel.getByText('house telephone 4400')).toBeVisible()
  await panel.getByRole('button', { name: 'Heat burn' }).click()
  const now = panel.getByRole('list', { name: 'What to do now' })
  await expect(now.getByRole('listitem').first()).toHaveText('Cool it at once under cool running water for 20 minutes.')
  await expect(now).not.toContainText('swallowed')
  await press(bench, 'Close this')
  await press(bench, 'Something happened')
  await panel.getByRole('button', { name: 'Spill' }).click()
  await panel.getByRole('group', { name: 'What was spilt' }).getByRole('button', { name: 'acetic anhydride' }).click()
  await panel.getByLabel('about how much').fill('50 mL')
  await press(bench, 'Say this too')
  await expect(bench.getByText('spill; acetic anhydride; 50 mL').first()).toBeVisible()
  await bench.context().close()
})

test('cards print as many as fit, and no print carries a control', async ({ page }) => {
  await signIn(page, stores)
  const on = made.sessions[1]!.id
  await page.goto(`/stores/${on}`)
  await page.emulateMedia({ media: 'print' })
  const controls = () =>
    page
      .locator('main :is(button:not(.opens, .plain-name, .title, .square), select, .btn, input:not([type=checkbox])):visible')
      .count()
  expect(await controls()).toBe(0)
  await page.emulateMedia({ media: 'screen' })
  await signIn(page, owner)
  await page.goto(`/class/${on}/cards`)
  await page.emulateMedia({ media: 'print' })
  expect(await controls()).toBe(0)
  const tops = await page
    .locator('.card-sheet')
    .evaluateAll((all) => all.map((each) => Math.round(each.getBoundingClientRect().top)))
  // Two stand side by side.
  expect(tops[0]).toBe(tops[1])
})

test('stock solutions are found by formula, other names and strength, and say of what a per cent is', async ({ page }) => {
  await signIn(page, stores)
  await page.goto('/reference/solutions')
  for (const typed of ['NaHCO3', 'sodium hydrogencarbonate', '5 % bicarbonate']) {
    await page.getByLabel('Find a solution').fill(typed)
    await expect(page.getByRole('rowheader', { name: /bicarbonate, 5 % w\/[wv]/ })).toBeVisible()
  }
})

test('Scratch knows how strong hydrochloric acid is sold', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/reference/scratch')
  await pickIn(page, /Of what/, 'hydrochloric', '^hydrochloric acid')
  await page.getByLabel(/strength wanted/).fill('2 mol/L')
  await page.getByLabel('volume, mL').fill('250')
  await expect(page.getByText('Take 41.8 mL of hydrochloric acid, 37 % w/w solution')).toBeVisible()
  await page.getByLabel(/made from/).fill('strong')
  await expect(page.getByText('“strong” is no strength.')).toBeVisible()
})

test('a refusal stands beside the field that it is about, which says so to those who do not see it', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/course')
  const invite = page.getByRole('form', { name: 'Invite a person' })
  const name = invite.getByLabel('Name', { exact: true })
  const signsInAs = invite.getByLabel('Signs in as')
  await signsInAs.fill('another.noor')
  await invite.getByRole('button', { name: 'Invite' }).click()
  await expect(name).toHaveAccessibleDescription(/Write the name\.$/)
  await expect(name).toBeFocused()
  await expectAccessible(page)
  // What looks like somebody who is here, with letters of another alphabet.
  await name.fill('Nооr Haddad')
  await invite.getByRole('button', { name: 'Invite' }).click()
  await expect(name).toHaveAccessibleDescription(/looks like “Noor Haddad”, who is here already/)
  await expect(name).toHaveValue('Nооr Haddad')
  await name.fill('Somebody')
  await signsInAs.fill('haddad')
  await invite.getByRole('button', { name: 'Invite' }).click()
  await expect(signsInAs).toHaveAccessibleDescription(/is the sign-in name of somebody else/)
  await expect(name).not.toHaveAttribute('aria-invalid')
  await page.goto('/college')
  const college = page.getByRole('form', { name: 'Make a course' })
  await college.getByLabel('Owner’s name').fill('Somebody')
  await college.getByLabel('Owner signs in as').fill('somebody')
  await college.getByRole('button', { name: 'Make the course' }).click()
  await expect(college.getByLabel('Course', { exact: true })).toHaveAccessibleDescription(/Write what the course is called/)
  await page.goto(`/class/${made.sessions[2]!.id}`)
  await press(page, 'Move it')
  const move = page.getByRole('form', { name: 'Move this session' })
  await move.getByLabel('New end').fill('00:01')
  await move.getByRole('button', { name: 'Move the session' }).click()
  await expect(move.getByLabel('New end')).toHaveAccessibleDescription(/ends/)
})
