/** What is typed is not lost: half-typed days, fields that are left by a reload, clicks that select, what is asked about. */
import { expect, test, type Page } from '@playwright/test'
import { base, expectAccessible, made, openDesk, owner, signIn, stores } from './support'

/** True where the page would ask before it is left. */
const asks = (page: Page) => page.evaluate(() => !window.dispatchEvent(new Event('beforeunload', { cancelable: true })))

/** Everything that went wrong on a page. */
function faults(page: Page): string[] {
  const found: string[] = []
  page.on('pageerror', (error) => found.push(error.message))
  return found
}

test('a day is typed key by key, half a day is none, and nothing that was typed goes', async ({ page }) => {
  const wrong = faults(page)
  await signIn(page, owner)
  await page.goto('/class/new')
  const room = page.getByLabel('Room', { exact: true })
  // Once the form has come alive.
  await expect(async () => {
    await room.fill('North lap')
    await expect(room).toHaveValue('North lap', { timeout: 500 })
    expect(await asks(page)).toBe(true)
  }).toPass()
  await page.getByLabel('Day', { exact: true }).click()
  await page.keyboard.type('1221', { delay: 20 })
  await page.keyboard.type('2', { delay: 20 })
  await expect(page.getByRole('button', { name: 'Set this session' })).toBeVisible()
  await page.getByRole('button', { name: 'Set this session' }).click()
  await expect(page.getByText(/Give the day of the session/)).toBeVisible()
  await expect(room).toHaveValue('North lap')
  await page.getByLabel('Day', { exact: true }).fill('2099-12-01')
  await expect(page.getByText('“North lap” is not a room of the laboratory')).toBeVisible()
  await page.getByLabel('To', { exact: true }).fill('07:00')
  await page.getByLabel('Scale of bench 1').fill('abc')
  await page.getByRole('button', { name: 'Set this session' }).click()
  await expect(page.getByText('The session ends before it begins. Give a later time.')).toBeVisible()
  await expect(page.getByText(/A scale is a number from 0.05 to 20/)).toBeVisible()
  expect(wrong).toEqual([])
  expect(await asks(page)).toBe(true)
  await expectAccessible(page)
})

test('a page that fails keeps what was typed, shows it, and writes it back', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/class/new')
  // Once the form has come alive.
  await expect(async () => {
    await page.getByLabel('Room', { exact: true }).fill('Cellar 33')
    await expect(page.getByLabel('Room', { exact: true })).toHaveValue('Cellar 33', { timeout: 500 })
    expect(await asks(page)).toBe(true)
  }).toPass()
  await page.getByLabel('From', { exact: true }).fill('08:15')
  // An answer that nobody expects breaks the list of groups as it is drawn.
  await page.route(/doubts\?scale=0\.9$/, (route) => route.fulfill({ json: { doubts: [null] } }))
  await page.getByLabel('Scale of bench 1').fill('0.9')
  await expect(page.getByRole('heading', { name: 'This page could not be shown' })).toBeVisible()
  await expect(page.getByText('Cellar 33')).toBeVisible()
  expect(await asks(page)).toBe(true)
  await page.unroute(/doubts\?scale=0\.9$/)
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByLabel('Room', { exact: true })).toHaveValue('Cellar 33')
  await expect(page.getByLabel('From', { exact: true })).toHaveValue('08:15')
  await expect(page.getByLabel('Scale of bench 1')).toHaveValue('0.9')
})

/** Pages with what opens on them, by who may write there. */
const places: [string, () => string, string[], typeof owner][] = [
  ['a new session', () => '/class/new', [], owner],
  ['a session', () => `/class/${made.sessions[2]!.id}`, ['Move it', 'Some benches at another hour', 'Cancel it'], owner],
  ['marks', () => `/class/${made.sessions[0]!.id}/marks`, [], owner],
  ['the course', () => '/course', [], owner],
  ['the college', () => '/college', [], owner],
  ['the laboratory', () => '/reference/laboratory', [], owner],
  ['a new preparation', () => '/desk/new', [], owner],
  ['a pasted procedure', () => '/desk/new/reading', [], owner],
  ['the shelf', () => '/stores/shelf', [], stores],
  ['setting out', () => `/stores/${made.sessions[2]!.id}`, [], stores],
  ['waste', () => `/stores/${made.sessions[2]!.id}/waste`, [], stores],
  ['instrument files', () => `/class/${made.sessions[0]!.id}/files`, [], owner],
  ['results', () => `/class/${made.sessions[0]!.id}/results`, [], owner],
]

test('every field of every page is kept, or asks before the page is left', async ({ page }) => {
  test.setTimeout(300_000)
  const lost: string[] = []
  let tried = 0
  let who = ''
  for (const [name, path, opens, person] of places) {
    if (person.signIn !== who) await signIn(page, person)
    who = person.signIn
    await page.goto(path())
    for (const each of opens) await page.getByRole('button', { name: each, exact: true }).click()
    for (const summary of (await page.locator('main details > summary').all()).slice(0, 2)) await summary.click()
    const fields = page.locator(
      'main :is(textarea, input:not([role=combobox], [type=checkbox], [type=radio], [type=file], [type=search], [type=hidden], [type=range], [type=date], [type=time])):visible:enabled:not([readonly])',
    )
    // All of them in `./mozle test all`.
    const count = Math.min(await fields.count(), process.env.MOZLE_ALL ? 60 : 4)
    for (let index = 0; index < count; index++) {
      const field = fields.nth(index)
      if (await field.evaluate((element) => element.closest('[data-passing]') !== null)) continue
      const label = await field.evaluate(
        (element: HTMLInputElement) => element.getAttribute('aria-label') ?? element.labels?.[0]?.textContent ?? element.name,
      )
      const before = await field.inputValue()
      await field.focus()
      await page.keyboard.press('End')
      await page.keyboard.type('7')
      tried++
      const typed = await field.inputValue()
      if (typed === before) {
        // A field that takes no more letters has nothing to lose.
        continue
      }
      if (!(await asks(page))) lost.push(`${name}: ${label}`)
      await field.fill(before)
      await page.keyboard.press('Escape')
    }
  }
  expect(lost).toEqual([])
  expect(tried).toBeGreaterThan(30)
})

test('words of a step that are still being typed ask before the page is left; written down, they do not', async ({ page }) => {
  await signIn(page, owner)
  await openDesk(page, 'Benzil')
  await page.locator('.strip button.opens').nth(3).click()
  const words = page.getByLabel('what to do')
  await words.click()
  await words.pressSequentially(' Look twice.')
  expect(await asks(page)).toBe(true)
  await words.blur()
  await expect(page.getByTestId('revision')).toContainText(/draft \d+, saved/)
  expect(await asks(page)).toBe(false)
  await page.reload()
  await expect(page.getByText('Look twice.').first()).toBeVisible()
})

test('a click into a blank selects what stands there; ten times the usual is asked about; a clock takes its waiting with it', async ({
  page,
}) => {
  await signIn(page, owner)
  await openDesk(page, 'Isopentyl acetate')
  await page
    .getByRole('button', { name: /reflux/i })
    .first()
    .click()
  const clock = page.getByRole('textbox', { name: /^clock, min/ })
  const before = Number(await clock.inputValue())
  await clock.click()
  await page.keyboard.type('600')
  await page.keyboard.press('Enter')
  await expect(clock).toHaveValue('600')
  await expect(page.getByText(/is that meant\?/).first()).toBeVisible()
  await clock.click()
  await page.keyboard.type(String(before + 30))
  await page.keyboard.press('Tab')
  await expect(clock).toHaveValue(String(before + 30))
  await expect(page.getByText(/is that meant\?/)).toHaveCount(0)
})

test('a titre saves itself, with the day of today', async ({ page }) => {
  await signIn(page, stores)
  const bottle = {
    substance: 'sodium hydroxide',
    formula: 'NaOH',
    form: { kind: 'solution', molPerL: 0.1 },
    left: { value: 500, unit: 'mL', decimals: 0 },
    place: 'titration bench',
  }
  const added = await page.request.post(`${base}/api/courses/${made.course.id}/bottles`, {
    data: bottle,
    headers: { origin: base },
  })
  expect([added.status(), (await added.text()).slice(0, 5)]).toEqual([200, '{"id"'])
  await page.goto('/stores/shelf')
  const row = page.getByRole('row', { name: /mol\/L solution/ }).first()
  await row.getByText('Label and use').click()
  const titre = row.getByLabel('titre, mol/L')
  await titre.fill('0.0987')
  await titre.blur()
  await expect(row.getByText(/titre 0\.0987 mol\/L, \d{4}-\d{2}-\d{2}/)).toBeVisible()
  const why = row.getByLabel('why')
  await why.fill('spilt by hand')
  await row.getByRole('button', { name: /opened on of .*: today/ }).click()
  await expect(row.getByText(/opened \d{4}-/)).toBeVisible()
  // What stands typed beside it stays.
  await expect(why).toHaveValue('spilt by hand')
})
