import { expect, test, type Page } from '@playwright/test'
import { base, choosePreparation, expectAccessible, leave, made, openBench, owner, signIn, stores, writeReading } from './support'
import { ownSection } from './group'

const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click()

const [finished, on, next] = made.sessions as [(typeof made.sessions)[0], (typeof made.sessions)[0], (typeof made.sessions)[0]]

test('a session is made ready: two people tick at once, what changes is marked, labels are printed whole', async ({
  page,
  browser,
}) => {
  await signIn(page, stores)
  await page.getByRole('link', { name: 'Stores', exact: true }).click()
  await page.getByRole('link', { name: 'Benzoin, Section A' }).click()
  await expect(page.getByRole('region', { name: 'Short, or not to be used' })).toContainText('6 g missing on the shelf')
  const row = (name: string, at = page) => at.locator('.set-list > li', { hasText: name })
  await expect(row('sodium hydroxide')).toContainText('3.72 g')
  await expectAccessible(page)

  // The other sees what is ticked here, and the other way round.
  const other = await (await browser.newContext({ baseURL: base })).newPage()
  await signIn(other, owner)
  await other.goto(`/stores/${next.id}`)
  await row('benzaldehyde').getByRole('checkbox').check()
  await expect(row('benzaldehyde')).toContainText(stores.name)
  await expect(row('benzaldehyde', other)).toContainText(stores.name)
  await row('capillaries', other).getByRole('checkbox').check()
  await expect(row('capillaries')).toContainText(owner.name)
  await expect(page.locator('.set-tools')).toContainText('2 of')
  await other.context().close()

  // Printed, then more is wanted: what changed is marked, on the page and beside what was set out.
  await page.evaluate(() => (window.print = () => undefined))
  await page.getByRole('button', { name: 'Print' }).click()
  const spare = page.getByLabel('spare, %')
  await spare.fill('900')
  await page.keyboard.press('Enter')
  await expect(page.locator('.set-tools .problem')).toContainText('at most 100')
  await spare.fill('50')
  await page.keyboard.press('Enter')
  await expect(page.locator('.list-changed')).toContainText('benzaldehyde')
  await expect(row('benzaldehyde')).toContainText('set out 86 mL, now 120 mL')
  await expect(row('benzaldehyde')).toContainText('was 86 mL on paper')

  await page.getByRole('button', { name: 'Bench by bench' }).click()
  await expect(page.getByRole('listitem', { name: 'Tray of bench 4' })).toContainText('8 mL')

  // What was ticked has left its bottle; with the tick it comes back.
  await page.goto('/stores/shelf')
  await expect(page.getByLabel('Left of benzaldehyde')).toHaveValue('164 mL')
  await page.goto(`/stores/${next.id}`)
  // A tick shows at once; what it moves is there when the server has answered.
  const answered = page.waitForResponse(
    (response) => response.url().endsWith('/stores') && response.request().method() === 'POST',
  )
  await row('benzaldehyde').getByRole('checkbox').uncheck()
  await answered
  await expect(row('benzaldehyde')).toContainText('from shelf 3')
  await page.goto('/stores/shelf')
  await expect(page.getByLabel('Left of benzaldehyde')).toHaveValue('250 mL')

  await page.goto(`/stores/${next.id}/labels`)
  await expectAccessible(page)
  for (const sheet of ['a4-14', 'letter-30', 'a4-24']) {
    await page.getByLabel('sheet', { exact: true }).selectOption(sheet)
    const cut = await page.locator('.label-face').evaluateAll((faces) =>
      faces.flatMap((face) => {
        const box = face.getBoundingClientRect()
        return [...face.querySelectorAll('b, span, svg')].flatMap((part) => {
          const { right, bottom } = part.getBoundingClientRect()
          return right > box.right + 0.5 || bottom > box.bottom + 0.5 ? [`${face.textContent}: ${part.textContent}`] : []
        })
      }),
    )
    expect([sheet, cut]).toEqual([sheet, []])
  }
  await page.getByLabel('first free place').fill('23')
  await page.keyboard.press('Tab')
  await expect(page.locator('.label-page')).toHaveCount(2)
  await expect(page.getByRole('group', { name: 'Label of sodium hydroxide' })).toContainText('Danger')
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(2)
  expect(pdf).toMatch(/MediaBox \[0 0 59[45](\.\d+)? 84[12]/)
})

test('what benches charged goes out of the bottle, once; a bottle that is not to be used says why', async ({ page }) => {
  await signIn(page, stores)
  await page.goto(`/stores/${finished.id}/stock`)
  const zinc = page.getByRole('row', { name: /zinc dust/ })
  await expect(zinc).toContainText('by 8')
  await zinc.getByRole('button').click()
  await expect(zinc).toContainText('taken from the bottle')
  await page.reload()
  await expect(zinc).toContainText('taken from the bottle')
  await page.goto('/stores/shelf')
  // 0.1 + 0.11 + 0.1 + 0.08 + 0.1 + 0.1 + 0.12 + 0.09 = 0.80 g of 45.
  await expect(page.getByLabel('Left of zinc dust')).toHaveValue('44.2 g')
  const row = page.getByRole('row', { name: /^acetic acid/ })
  await row.getByText('Label and use').click()
  await row.getByLabel('expires on of acetic acid').fill('2020-01-31')
  await row.getByLabel('how many mL of acetic acid').focus()
  await expect(row).toContainText('it expired on 2020-01-31')
  await row.getByLabel('how many mL of acetic acid').fill('5000')
  await row.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.locator('.problem[role=alert]')).toContainText('Only 900 mL')
  await expectAccessible(page)
  await page.goto(`/stores/${on.id}`)
  await expect(page.locator('.set-list > li', { hasText: 'acetic acid' })).toContainText('it expired on 2020-01-31')
  const used = await page.request.get(`/api/courses/${made.course.id}/used.csv?year=${new Date().getFullYear()}`)
  expect(await used.text()).toContain('zinc dust,0.8,g,1')
})

test(
  'a timetable that changes when an apparatus breaks; starts by keyboard, undone, as a table, and kept',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    await page.goto(`/stores/${next.id}/timetable`)
    const head = page.locator('.timetable-head')
    await expect(head).toContainText(/\d+ % of 600 played classes/, { timeout: 30_000 })
    await expectAccessible(page)
    const ends = async () =>
      Number(
        /(\d+):(\d+) usual end/
          .exec(await head.innerText())!
          .slice(1, 3)
          .reduce((sum, part) => String(Number(sum) * 60 + Number(part)), '0'),
      )
    const late = page.locator('svg.timetable .late')
    const before = await late.count()
    // A second one, and everybody is earlier; none of it breaks, and all wait for the first again.
    const apparatus = page.getByLabel('melting-point apparatus: how many')
    await apparatus.fill('2')
    await page.keyboard.press('Enter')
    await expect.poll(() => late.count()).toBeLessThan(before)
    await expect(page.getByRole('heading', { name: 'The melting-point apparatus holds the class up' })).toHaveCount(0, {
      timeout: 30_000,
    })
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(apparatus).toHaveValue('1')
    await expect(page.getByRole('heading', { name: 'The melting-point apparatus holds the class up' })).toBeVisible({
      timeout: 30_000,
    })
    await expect(page.getByText(/^One more melting-point apparatus/)).toBeVisible()

    // By keyboard a group begins later, and its row follows at once.
    const bench = page.getByRole('slider', { name: /^Bench 3/ })
    await bench.focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowRight')
    await expect(bench).toHaveAttribute('aria-valuetext', 'begins 13:40')
    // The reload is answered before the change arrives, and comes after it: the change stands all the same.
    const stands = (words: string) =>
      expect.poll(async () => (await page.request.get(`/stores/${next.id}/timetable`)).text()).toContain(words)
    const route = `**/api/sessions/${next.id}/timetable`
    const address = `**/stores/${next.id}/timetable`
    const loaded = later()
    const written = later()
    await page.route(route, async (asked) => {
      await loaded.promise
      await asked.fulfill({ response: await asked.fetch() })
      written.resolve()
    })
    await page.route(address, async (asked) => {
      const response = await asked.fetch()
      loaded.resolve()
      await written.promise
      // So long that the page that is left has heard of it.
      await new Promise((resolve) => setTimeout(resolve, 500))
      await asked.fulfill({ response })
    })
    await bench.press('ArrowRight')
    await page.reload()
    await expect(bench).toHaveAttribute('aria-valuetext', 'begins 13:45')
    await page.unrouteAll({ behavior: 'wait' })
    await bench.press('ArrowLeft')
    await expect(bench).toHaveAttribute('aria-valuetext', 'begins 13:40')
    // A page that is left before it has reached the server takes it up again; until then it says so.
    await page.route(route, (asked) => asked.abort())
    await bench.press('ArrowRight')
    await expect(page.getByText('The server cannot be reached. What you typed is still here.')).toBeVisible()
    await page.unroute(route)
    await page.reload()
    await expect(bench).toHaveAttribute('aria-valuetext', 'begins 13:45')
    await stands('begins 13:45')
    // Somebody else who has not seen it is told; theirs can still go over it.
    const other = await page.context().newPage()
    await other.goto(`/stores/${next.id}/timetable`)
    const same = other.getByRole('slider', { name: /^Bench 3/ })
    await expect(same).toHaveAttribute('aria-valuetext', 'begins 13:45')
    await bench.press('ArrowRight')
    await stands('begins 13:50')
    await same.press('ArrowLeft')
    await expect(other.getByText('Somebody else changed this meanwhile')).toBeVisible()
    await expect(same).toHaveAttribute('aria-valuetext', 'begins 13:50')
    await expect(other.getByRole('button', { name: 'Undo' })).toBeDisabled()
    await expectAccessible(other)
    await other.getByRole('button', { name: 'Write mine over it' }).click()
    await expect(same).toHaveAttribute('aria-valuetext', 'begins 13:40')
    await expect(other.getByText('Somebody else changed this meanwhile')).toHaveCount(0)
    await stands('begins 13:40')
    await other.getByRole('button', { name: 'Undo' }).click()
    await expect(same).toHaveAttribute('aria-valuetext', 'begins 13:50')
    await stands('begins 13:50')
    await other.close()
    // What stands is what this page knew: nobody was in between.
    await bench.press('ArrowLeft')
    await expect(bench).toHaveAttribute('aria-valuetext', 'begins 13:45')
    await stands('begins 13:45')
    // And with the mouse.
    const box = (await page.getByRole('slider', { name: /^Bench 5/ }).boundingBox())!
    await page.mouse.move(box.x + 300, box.y + 15)
    await page.mouse.down()
    await page.mouse.move(box.x + 340, box.y + 15, { steps: 4 })
    await page.mouse.up()
    const dragged = page.getByRole('slider', { name: /^Bench 5/ })
    await expect(dragged).not.toHaveAttribute('aria-valuetext', 'begins 13:30')
    // One drag is one change.
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(dragged).toHaveAttribute('aria-valuetext', 'begins 13:30')
    await expect(bench).toHaveAttribute('aria-valuetext', 'begins 13:45')

    await expect(head).toContainText('usual end', { timeout: 30_000 })
    const asTold = await ends()
    await page.getByRole('button', { name: 'Tell the groups so' }).last().click()
    await expect.poll(ends, { timeout: 30_000 }).toBeLessThanOrEqual(asTold)
    await page.getByRole('button', { name: 'As a table' }).click()
    await expect(page.getByRole('row', { name: /Adeyemi/ })).toContainText(/\d\d:\d\d/)
    await expectAccessible(page)
    const calendar = await page.request.get(`/api/sessions/${next.id}/timetable.ics`)
    expect((await calendar.text()).match(/BEGIN:VEVENT/g)).toHaveLength(8)
  },
)

test(
  'waste is forecast and written down; a bench finds its container and its vial; the board says who will not finish',
  { tag: '@all' },
  async ({ page, browser }) => {
    await signIn(page, owner)
    const section = await ownSection(page, 1)
    await page.goto('/class/new')
    await choosePreparation(page, 'Acetanilide')
    await page.getByLabel('Section').selectOption(section)
    await page.getByLabel('Room', { exact: true }).fill(section)
    // It is on now, and over long before its four hours.
    const clock = (minutes: number) =>
      new Intl.DateTimeFormat('en-GB', { timeZone: made.course.zone, hour: '2-digit', minute: '2-digit' }).format(
        Date.now() + minutes * 60_000,
      )
    await page.getByLabel('From', { exact: true }).fill(clock(-20) < clock(60) ? clock(-20) : '00:00')
    await page.getByLabel('To', { exact: true }).fill(clock(60) > clock(0) ? clock(60) : '23:59')
    await page.getByRole('button', { name: 'Set this session' }).click()
    await expect(page.getByText('0 of 1 benches have begun')).toBeVisible()
    const warning = page.getByRole('region', { name: 'Will not be done in time' })
    await expect(warning).toContainText('Bench 1: will not finish')
    await expect(warning).toContainText('Could be left for another day')
    const code = (await page.locator('.cards .code').first().textContent())!
    const session = page.url().split('/').at(-1)!

    // The laboratory says what stands in the room, and where.
    await page.goto('/reference/laboratory')
    await page.getByLabel('another room, as sessions name it').fill(section)
    await page.getByRole('button', { name: 'Add this room' }).click()
    const room = page.getByRole('region', { name: section })
    await room.getByLabel(`another container in ${section}`).selectOption('aqueous acid or base')
    await room.getByLabel('aqueous acid or base: stands').fill('hood 7, behind')
    await page.keyboard.press('Tab')
    await room.getByLabel(`also shared in ${section}`).selectOption('balance')
    await expect(page.getByText('Written.')).toBeVisible()

    await page.goto(`/stores/${session}/waste`)
    const container = page.getByRole('listitem', { name: 'Container: aqueous acid or base' })
    await expect(container).toContainText('hood 7, behind')
    await container.getByLabel('came back of aqueous acid or base, L').fill('much')
    await container.getByRole('button', { name: 'Write it down' }).click()
    await expect(container.getByRole('alert')).toContainText('for example 1.8')
    await container.getByLabel('came back of aqueous acid or base, L').fill('0.4')
    await container.getByRole('button', { name: 'Write it down' }).click()
    await expect(container).toContainText('Came back: 0.4 L')
    await expectAccessible(page)

    await page.goto(`/stores/${session}`)
    await page.getByLabel('vial 1 weighs, g').fill('12.345')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByRole('region', { name: 'Vials weighed beforehand' })).toContainText('12.345 g, with cap')

    const bench = await openBench(browser, code)
    const steps = bench.getByRole('navigation', { name: 'Steps' })
    await steps.getByRole('button', { name: /^Waste and clean-up/ }).click()
    await expect(bench.getByRole('list', { name: 'Where the waste goes' })).toContainText('aqueous acid or base: hood 7, behind')
    await press(bench, 'Back to what is now')
    await press(bench, 'We have read this')
    await expect(bench.locator('.step-face h1')).toHaveText('Set up')
    for (const check of await bench.locator('.pad').getByRole('checkbox').all()) await check.check()
    await bench.locator('.pad .go').click()
    await expect(bench.locator('.step-face h1')).toHaveText('Charge aniline')
    await press(bench, 'With cap')
    await writeReading(bench, '16.433')
    await press(bench, 'Vial 1: 12.345 g, with cap')
    await expect(bench.getByRole('textbox')).toHaveValue('12.345')
    await press(bench, 'Write it down')
    await expect(bench.locator('.step-face h1')).toHaveText('Add acetic acid')
    await steps.getByRole('button', { name: /^Charge aniline/ }).click()
    await expect(bench.locator('.step-face')).toContainText('4.088 g')
    await leave(bench)
  },
)

/** A moment that is waited for. */
function later() {
  let resolve = () => {}
  const promise = new Promise<void>((done) => (resolve = done))
  return { promise, resolve }
}
