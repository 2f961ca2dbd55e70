import AxeBuilder from '@axe-core/playwright'
import { expect, type Browser, type Page } from '@playwright/test'
import { collegeOf, stand } from './stand'

/** The made-up college as it was seeded, people and bench codes included. */
export const made = collegeOf(stand)
export const [owner, demonstrator, stores, reader] = made.people as [Seeded, Seeded, Seeded, Seeded]
type Seeded = (typeof made.people)[number]
/** Whoever can sign in. */
export type Person = Pick<(typeof made.people)[number], 'signIn' | 'password' | 'name' | 'role'>

export const codeToday = (bench: number) => made.sessions[1]!.runs[bench - 1]!.code
export const tablet = { width: 1180, height: 820 }
export const { base, second: secondServer } = stand

/** Signs a person in as the form does, without the form, which access.e2e.ts fills in. */
export async function signIn(page: Page, { signIn: name, password }: Person, at = base): Promise<void> {
  const answer = await page.request.post(`${at}/api/sign-in`, { data: { signIn: name, password }, headers: { origin: at } })
  expect([name, answer.status()]).toEqual([name, 200])
  await page.goto(`${at}/`)
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
}

/** A tablet of its own that has become a bench. What it keeps for the time without a network is tried in offline.e2e.ts: elsewhere a test stands between the page and the server. */
export async function openBench(browser: Browser, code: string, at = base): Promise<Page> {
  const context = await browser.newContext({ viewport: tablet, baseURL: at, hasTouch: true, serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto('/bench')
  await page.getByLabel('Bench code').fill(code)
  await page.getByRole('button', { name: 'Open our bench' }).click()
  await expect(page.locator('.step-face h1')).toBeVisible()
  return page
}

/** Closes a tablet when all that was written on it is in the book: what is still on its way would go with it. */
export async function leave(page: Page): Promise<void> {
  await expect(page.locator('.book', { hasText: /kept on this tablet|on this page only/ })).toHaveCount(0)
  await page.context().close()
}

/** Opens a preparation at the Desk from the list, as a person would. */
const drafting = new WeakSet<Page>()

/** Where a test is not about it, the draft that the first change to a frozen plan offers is taken. */
async function takesDrafts(page: Page): Promise<void> {
  if (drafting.has(page)) return
  drafting.add(page)
  const start = page.getByRole('button', { name: /^Start draft \d+$/ })
  await page.addLocatorHandler(start, () => start.click())
}

export async function openDesk(page: Page, title: string): Promise<void> {
  await takesDrafts(page)
  await page.getByRole('link', { name: 'Desk', exact: true }).click()
  await page.getByRole('link', { name: title, exact: true }).click()
  // The first that opens a Desk at its stand waits for the process that draws structures to start.
  await expect(page.getByRole('heading', { name: title, level: 1 })).toBeVisible({ timeout: 30_000 })
}

/** Chooses a preparation in the form of a session, whatever its revision: another test may have published a further one. */
export async function choosePreparation(page: Page, title: string): Promise<void> {
  const options = page.getByLabel('Preparation').locator('option', { hasText: new RegExp(`^${title}, revision`) })
  await page.getByLabel('Preparation').selectOption((await options.first().getAttribute('value'))!)
}

/** The text of a table cell as it stands. */
export const cell = (page: Page, label: string) => page.getByRole('textbox', { name: new RegExp(`^${label}(,|$)`) })

export async function saved(page: Page): Promise<void> {
  await expect(page.getByTestId('revision')).toContainText(/draft \d+, saved/)
}

/** Types a reading on the tablet's keys and writes it down. */
export async function writeReading(page: Page, digits: string): Promise<void> {
  const keys = page.getByRole('group', { name: 'Number keys' })
  for (const digit of digits) await keys.getByRole('button', { name: digit === '.' ? 'Point' : digit, exact: true }).click()
  await page.getByRole('button', { name: 'Write it down', exact: true }).click()
}

/** No violation of WCAG 2.2 AA that axe can find, and nothing wider than the screen. */
export async function expectAccessible(page: Page): Promise<void> {
  // While a page takes the place of another there is a moment without a title.
  await expect(page).toHaveTitle(/./)
  const { violations } = await new AxeBuilder({ page })
    // No page has a frame in it, and only what is wrong is written out: this halves the time.
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze()
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)).toEqual([])
}
