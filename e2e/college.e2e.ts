/** A college from its first page: people, a section from a file, two terms, and sessions that change. */
import { expect, test, type Page } from '@playwright/test'
import { ownSection } from './group'
import { beginning } from './stand'
import {
  base,
  choosePreparation,
  demonstrator,
  expectAccessible,
  leave,
  made,
  openBench,
  owner,
  reader,
  signIn,
  stores,
} from './support'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)

test('from the first page to a section of twelve groups from a file with three bad lines, and a copy for the next term', async ({
  browser,
}) => {
  test.setTimeout(120_000)
  const { base: at, link } = beginning()!
  const context = await browser.newContext({ baseURL: at })
  const page = await context.newPage()
  await page.goto('/')
  await expect(page).toHaveURL(/sign-in/)
  await page.goto(link)
  await expectAccessible(page)
  await page.getByLabel('College', { exact: true }).fill('Quillmere College')
  await page.getByLabel('Clock of its laboratory').selectOption('UTC')
  await page.getByLabel('volumes in').first().selectOption('cm³')
  await page.getByLabel('Your name').fill('Ilse Varga')
  await page.getByLabel('You sign in as').fill('varga')
  await page.getByLabel('Password').fill('short')
  await press(page, 'Begin')
  await expect(page.getByRole('main').getByRole('alert')).toContainText('ten signs at least')
  await page.getByLabel('Password').fill('a bench book owner')
  await press(page, 'Begin')
  await expect(page.getByRole('heading', { name: 'Quillmere College' })).toBeVisible()
  await expect(page.getByRole('form', { name: 'The college' }).getByLabel('volumes in')).toHaveValue('cm³')
  await expectAccessible(page)
  // The link was good once.
  const again = await (await browser.newContext()).newPage()
  await again.goto(link)
  await expect(again.getByRole('heading', { name: 'This link has ended' })).toBeVisible()
  await leave(again)

  for (const title of ['Organic laboratory I', 'Organic laboratory II']) {
    await page.getByLabel('Course', { exact: true }).fill(title)
    await page.getByLabel('Term', { exact: true }).fill('autumn 2026')
    await page.getByLabel('Owner’s name').fill('Ilse Varga')
    await page.getByLabel('Owner signs in as').fill('varga')
    await press(page, 'Make the course')
    await expect(page.getByText(`${title} is made; Ilse Varga owns it.`)).toBeVisible()
  }
  await page.goto('/course')
  await page.getByLabel('Course', { exact: true }).first().selectOption('Organic laboratory I, autumn 2026')
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
  await page.getByRole('link', { name: 'Course', exact: true }).click()
  await page.getByLabel('New section').fill('Section A')
  await press(page, 'Make the section')
  await press(page, 'Type or paste the groups')
  const lines = Array.from({ length: 12 }, (_, index) => `${index + 1},First${index + 1}\n${index + 1},Second${index + 1}`)
  const csv = ['bench,name', ...lines, 'nobody', '3,First7', '13'].join('\n')
  await page
    .getByLabel('CSV file of the groups')
    .setInputFiles({ name: 'groups.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  const preview = page.locator('.would-change')
  await expect(preview).toContainText('3 lines cannot stand')
  await expect(preview).toContainText('Line 26: “nobody” is no bench')
  await expect(preview).toContainText('Line 27: First7 stands at bench 7 already')
  await expect(preview).toContainText('Line 28: Bench 13 has no name')
  await expect(preview).toContainText('bench 12 is new')
  await expectAccessible(page)
  await press(page, 'Save the lines that can stand')
  await expect(page.getByRole('article', { name: 'Section A' })).toContainText('12 groups, 24 people')
  await expectAccessible(page)
  // Whoever is named twice in the college is one person; somebody else of that sign-in name is refused.
  await page.getByLabel('Name', { exact: true }).fill('Noor Haddad')
  await page.getByLabel('Signs in as').fill('n h')
  await press(page, 'Invite')
  await expect(page.getByRole('alert').filter({ hasText: 'such as m.weber' })).toBeVisible()
  await page.getByLabel('Signs in as').fill('haddad')
  await press(page, 'Invite')
  const invitation = await page.getByRole('textbox', { name: 'Link for Noor Haddad' }).inputValue()
  const guest = await (await browser.newContext({ baseURL: at })).newPage()
  await guest.goto(invitation)
  await expectAccessible(guest)
  await guest.getByLabel('Password', { exact: true }).fill('a bench book demo')
  await guest.getByLabel('Once more').fill('a bench book dem')
  await press(guest, 'Take this password')
  await expect(guest.getByText('The two are not the same')).toBeVisible()
  await guest.getByLabel('Once more').fill('a bench book demo')
  await press(guest, 'Take this password')
  await expect(guest.getByRole('heading', { name: 'Today' })).toBeVisible()
  await expect(guest.getByRole('link', { name: 'College', exact: true })).toHaveCount(0)
  // Withdrawn while a page is open: the next step leads to sign-in.
  await page.goto('/college')
  await press(page, 'Withdraw Noor Haddad')
  await press(page, 'Yes, withdraw Noor Haddad')
  await expect(page.getByRole('row', { name: /^Noor Haddad/ })).toContainText('withdrawn')
  await guest.getByRole('link', { name: 'Class', exact: true }).click()
  await expect(guest).toHaveURL(/sign-in/)
  await leave(guest)
  await expect(page.getByRole('table').last()).toContainText('withdrew a person')
  await expect(page.getByRole('table').last()).toContainText('took up an invitation')

  await page.goto('/course')
  await page.getByLabel('Into the term').fill('spring 2027')
  await press(page, 'Copy into a new term')
  await expect(page.getByText('spring 2027, Quillmere College')).toBeVisible()
  await expect(page.getByText('No section yet')).toBeVisible()
  await context.close()
})

test('a session over two days is set, refused where it clashes, moved and parted; its run goes on with the code of the next day', async ({
  page,
  browser,
}) => {
  test.setTimeout(120_000)
  await signIn(page, owner)
  const section = await ownSection(page, 3)
  await page.goto('/class/new')
  await choosePreparation(page, '2-Methylhexan-2-ol')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('Room', { exact: true }).fill(section)
  await page.getByLabel('Room, day 2').fill(section)
  await page.getByLabel('Day', { exact: true }).fill('2020-01-01')
  await expect(page.getByText('This day is past')).toBeVisible()
  await page.getByLabel('Day', { exact: true }).fill(inDays(0))
  await page.getByLabel('From', { exact: true }).fill('00:01')
  await page.getByLabel('To', { exact: true }).fill('23:59')
  await page.getByLabel('Date, day 2').fill(inDays(0))
  await expect(page.getByText('It begins before the day before has ended')).toBeVisible()
  await page.getByLabel('Date, day 2').fill(inDays(9))
  await page.getByLabel('To, day 2').fill('14:00')
  await expect(page.getByText(/The plan takes 1 h 18 min on its day 2 as usual, and there are 30 min/)).toBeVisible()
  await expectAccessible(page)
  await press(page, 'Set this session')
  await expect(page.getByText('0 of 3 benches have begun')).toBeVisible()
  const first = page.url()
  // The same section again in that hour is refused, and what was typed stays.
  await page.goto('/class/new')
  await choosePreparation(page, 'Benzoin')
  await page.getByLabel('Section').selectOption(section)
  await page.getByLabel('From', { exact: true }).fill('10:00')
  await page.getByLabel('To', { exact: true }).fill('23:58')
  await page.getByLabel('Room', { exact: true }).fill('Elsewhere')
  await expect(page.getByText(`${section} has 2-Methylhexan-2-ol then, 00:01–23:59. Choose another hour.`)).toBeVisible()
  await press(page, 'Set this session')
  await expect(page.getByRole('alert').filter({ hasText: 'Choose another hour' })).toBeVisible()
  await expect(page.getByLabel('Room', { exact: true })).toHaveValue('Elsewhere')
  await page.goto(first)
  await expect(page.getByText('0 of 3 benches have begun')).toBeVisible()
  const codes = await page.locator('.cards .code').allTextContents()
  // On the first day a bench begins; the second day has other codes, which open the same run then.
  const bench = await openBench(browser, codes[0]!)
  await bench.getByRole('button', { name: 'We have read this' }).click()
  await expect(bench.getByRole('status').first()).toContainText('in the book')
  await leave(bench)
  await page.getByRole('link', { name: /^Day 2,/ }).click()
  await expect(page.getByRole('link', { name: /^Day 2,/ })).toHaveAttribute('aria-current', 'page')
  await expect(page.getByText('1 of 3 benches have begun')).toBeVisible()
  const later = await page.locator('.cards .code').allTextContents()
  expect(later.filter((code) => codes.includes(code))).toEqual([])
  const early = await (await browser.newContext({ baseURL: base })).newPage()
  await early.goto(`/bench/open#${later[0]}`)
  await expect(early.getByText(/This code is for/)).toBeVisible()
  // A card's square opens the bench without typing.
  await early.goto('about:blank')
  await early.goto(`/bench/open#${codes[1]}`)
  await expect(early.locator('.step-face h1')).toHaveText('Safety read')
  // A code that is replaced ends what it opened.
  await page.goto(first)
  await press(page, 'New code for bench 2')
  await expect(page.locator('.cards .code').nth(1)).not.toHaveText(codes[1]!)
  await early.reload()
  await expect(early.getByLabel('Bench code')).toBeVisible()
  await leave(early)
  // It has begun: not cancelled, not parted, but longer or elsewhere.
  const change = page.getByRole('region', { name: 'Change this session' })
  await expect(change.getByRole('button', { name: 'Cancel it' })).toHaveCount(0)
  await change.getByRole('button', { name: 'More time, another room' }).click()
  await expect(change.getByLabel('New day')).toBeDisabled()
  await expectAccessible(page)
  await change.getByLabel('New room').fill(`${section}, annex`)
  await press(page, 'Change it')
  await expect(page.locator('.head .sub')).toContainText('annex')
})

test(
  'a session that is to come is moved, parted, set again, and cancelled with its reason; an absence stands at its bench',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    const section = await ownSection(page, 4)
    await page.goto('/class/new')
    await choosePreparation(page, 'Benzoin')
    await page.getByLabel('Section').selectOption(section)
    await page.getByLabel('Room', { exact: true }).fill(section)
    await page.getByLabel('Day', { exact: true }).fill(inDays(30))
    await page.getByLabel('Bench 4 takes part').uncheck()
    await press(page, 'Set this session')
    await expect(page.getByText('0 of 3 benches have begun')).toBeVisible()
    const change = page.getByRole('region', { name: 'Change this session' })
    await change.getByRole('button', { name: 'A group more' }).click()
    await change.getByLabel('Scale').fill('much')
    await press(page, 'Let them take part')
    await expect(change.getByRole('alert')).toContainText('A scale is a number')
    await change.getByLabel('Scale').fill('0.5')
    await press(page, 'Let them take part')
    await expect(page.getByText('0 of 4 benches have begun')).toBeVisible()
    // Bench 1 is one short today.
    const cards = page.getByRole('region', { name: 'Bench cards' })
    await cards.getByRole('button', { name: 'One 1', exact: true }).click()
    await cards.getByRole('button', { name: 'Mark One 1 absent' }).click()
    await expect(cards.getByRole('button', { name: 'One 1 absent', exact: true })).toBeVisible()
    await page.getByRole('link', { name: 'Cards to print, with our amounts' }).click()
    const card = page.getByRole('listitem', { name: 'Card of bench 1' })
    await expect(card).toContainText('Two 1')
    await expect(card).not.toContainText('One 1')
    await expect(card.getByRole('img', { name: 'Opens bench 1' })).toBeVisible()
    await expect(page.getByRole('listitem', { name: 'Card of bench 4' })).toContainText('scale 0.5')
    await expect(page.getByRole('listitem', { name: 'Card of bench 4' })).toContainText('benzaldehyde5.0 mL')
    await expectAccessible(page)
    await page.getByRole('link', { name: 'Back to the session' }).click()
    await change.getByRole('button', { name: 'Move it' }).click()
    await change.getByLabel('New day').fill(inDays(31))
    await press(page, 'Move the session')
    await expect(change.getByLabel('New day')).toHaveCount(0)
    await change.getByRole('button', { name: 'Some benches at another hour' }).click()
    await change.getByLabel(/^Bench 3/).check()
    await change.getByLabel('New day').fill(inDays(32))
    await press(page, 'Give them this hour')
    await expect(page.getByText('0 of 1 benches have begun')).toBeVisible()
    await page.getByRole('link', { name: 'Set it again' }).click()
    await expect(page.getByLabel('Day', { exact: true })).toHaveValue(inDays(39))
    await expect(page.getByLabel('Bench 3 takes part')).toBeChecked()
    await expect(page.getByLabel('Bench 1 takes part')).not.toBeChecked()
    await page.goBack()
    await change.getByRole('button', { name: 'Cancel it' }).click()
    await press(page, 'Cancel the session')
    await expect(change.getByRole('alert')).toContainText('Say why')
    await change.getByLabel('Why it is not held').fill('The hoods are being mended')
    await press(page, 'Cancel the session')
    await expect(page.getByText('This session is cancelled: The hoods are being mended')).toBeVisible()
    await expect(page.getByRole('region', { name: 'Change this session' })).toHaveCount(0)
    await page.goto('/class')
    await expect(page.getByText('not held').first()).toBeVisible()
    // The calendar has a secret address, and no names.
    await press(page, 'Address for my calendar')
    const address = await page.getByLabel(/Secret, yours alone/).inputValue()
    const calendar = await (await page.request.get(address, { headers: { cookie: '' } })).text()
    expect(calendar).toContain('BEGIN:VCALENDAR')
    expect(calendar).toContain(`SUMMARY:Benzoin\\, ${section}`)
    expect(calendar).not.toContain('Two 1')
  },
)

test(
  'a plan is approved by a second person before it is set, where the course asks for it',
  { tag: '@all' },
  async ({ page, browser }) => {
    await signIn(page, owner)
    const benzil = made.preparations.find(({ plan }) => plan.title === 'Benzil')!
    await page.goto('/course')
    await page.getByLabel('A second person approves a plan').check()
    await page.getByRole('form', { name: 'Title and term' }).getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('form', { name: 'Title and term' }).getByRole('button', { name: 'Save' })).toBeDisabled()
    try {
      await page.goto(`/desk/${benzil.id}/safety`)
      await expect(page.getByText('Not approved yet')).toBeVisible()
      await expect(page.getByRole('button', { name: 'I have read it, and approve it' })).toHaveCount(0)
      await page.goto(`/class/new?revision=${benzil.revision}`)
      await expect(page.getByText(/a second person approves a plan before a session/)).toBeVisible()
      const other = await (await browser.newContext({ baseURL: base })).newPage()
      await signIn(other, demonstrator)
      await other.goto(`/desk/${benzil.id}/safety`)
      await press(other, 'I have read it, and approve it')
      await expect(other.getByText(`Approved by ${demonstrator.name}`)).toBeVisible()
      await expectAccessible(other)
      await leave(other)
      await page.reload()
      await expect(page.getByText(/a second person approves a plan before a session/)).toHaveCount(0)
    } finally {
      await page.request.put(`/api/courses/${made.course.id}`, {
        data: { title: made.course.title, term: 'autumn 2026', approval: false },
        headers: { origin: base },
      })
    }
  },
)

test('each role reaches its own part of people, sections, terms and the record', { tag: '@all' }, async ({ browser }) => {
  const { section } = { section: made.sections[0]!.id }
  const asks: [string, string, object, (typeof made.people)[number][]][] = [
    ['POST', `/api/courses/${made.course.id}/people`, { name: 'x', signIn: 'x y', role: 'reader' }, [owner]],
    ['POST', `/api/courses/${made.course.id}/sections`, { name: '' }, [owner]],
    ['PUT', `/api/sections/${section}/groups`, { groups: [{ bench: 0, names: [] }], seen: [] }, [owner]],
    ['POST', `/api/courses/${made.course.id}/copy`, { title: '', term: '' }, [owner]],
    ['PUT', '/api/college', { title: '' }, [owner]],
    ['POST', '/api/college/courses', { title: '' }, [owner]],
    [
      'POST',
      '/api/sessions/check',
      { section, revision: 'x', days: [{ startsAt: '2027-01-01T09:00:00Z', endsAt: '2027-01-01T12:00:00Z', room: 'x' }] },
      [owner],
    ],
    ['PUT', `/api/runs/${made.sessions[1]!.runs[0]!.id}/absent`, { absent: 'x' }, [owner, demonstrator]],
    ['POST', `/api/revisions/${made.preparations[0]!.revision}/approve`, {}, [owner, demonstrator]],
  ]
  for (const person of [owner, demonstrator, stores, reader]) {
    const page = await (await browser.newContext({ baseURL: base })).newPage()
    await signIn(page, person)
    for (const [method, path, data, allowed] of asks) {
      const answer = await page.request.fetch(path, { method, data, headers: { origin: base } })
      // What is allowed is done, or refused for what was sent; the rest is not looked at.
      const expected = allowed.includes(person) ? [200, 400, 403, 409] : [403]
      expect([person.role, path, expected.includes(answer.status())]).toEqual([person.role, path, true])
      if (!allowed.includes(person)) expect(await answer.text()).toContain('does not allow')
      else expect(await answer.text()).not.toContain('Your role in this course')
    }
    const college = await page.goto('/college')
    expect([person.role, college!.status()]).toEqual([person.role, person === owner ? 200 : 404])
    const course = await page.goto('/course')
    expect([person.role, course!.status()]).toEqual([person.role, person === reader ? 404 : 200])
    await expect(page.getByRole('heading', { name: 'People', exact: true })).toHaveCount(person === owner ? 1 : 0)
    await expect(page.getByRole('button', { name: 'Change the groups' }).first()).toBeVisible({ visible: person === owner })
    await leave(page)
  }
})
