import { expect, test } from '@playwright/test'
import {
  base,
  codeToday,
  demonstrator,
  expectAccessible,
  leave,
  made,
  openBench,
  openDesk,
  owner,
  reader,
  secondServer,
  signIn,
  stores,
} from './support'

const [finished, on] = made.sessions as [(typeof made.sessions)[0], (typeof made.sessions)[0]]

test.describe('who may do what', () => {
  test('without signing in every page leads to sign-in and back, and every route refuses', async ({ page, request }) => {
    for (const path of ['/', '/desk', '/class', '/class/new', `/class/${on.id}`, `/class/${on.id}/results`]) {
      await page.goto(path)
      await expect(page).toHaveURL(/sign-in/)
    }
    for (const path of [
      `/api/sessions/${on.id}/live`,
      `/api/sessions/${on.id}/results.csv`,
      `/api/runs/${on.runs[0]!.id}/live`,
    ]) {
      expect((await request.get(path)).status()).toBe(401)
    }
    await page.goto(`/class/${finished.id}/results`)
    await page.getByLabel('Name').fill(owner.signIn)
    await page.getByLabel('Password').fill(owner.password)
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(new RegExp(`/class/${finished.id}/results`))
  })

  test('a link cannot lead away after signing in', async ({ page }) => {
    await page.goto('/sign-in?to=//elsewhere.example')
    await page.getByLabel('Name').fill(owner.signIn)
    await page.getByLabel('Password').fill(owner.password)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
  })

  test('stores and readers see what is theirs', async ({ browser }) => {
    for (const [person, allowed, denied] of [
      [stores, ['/desk', `/class/${on.id}`], [`/class/${finished.id}/results`, '/class/new']],
      [reader, ['/desk', `/class/${finished.id}/results`], [`/class/${on.id}`, '/class/new']],
      [demonstrator, [`/class/${on.id}`, `/class/${finished.id}/results`], ['/class/new']],
    ] as const) {
      const page = await (await browser.newContext({ baseURL: base })).newPage()
      await signIn(page, person)
      for (const path of allowed) expect([person.role, path, (await page.goto(path))!.status()]).toEqual([person.role, path, 200])
      for (const path of denied) expect([person.role, path, (await page.goto(path))!.status()]).toEqual([person.role, path, 404])
      await page.goto(`/desk/${made.preparations[0]!.id}`)
      await expect(page.getByLabel(/^volume of aniline/)).not.toBeEditable()
      const answer = await page.request.post('/api/sessions', { data: {}, headers: { origin: base } })
      expect([400, 403]).toContain(answer.status())
      const publish = await page.request.post(`/api/revisions/${made.preparations[0]!.revision}/publish`, {
        data: { version: 1 },
        headers: { origin: base },
      })
      expect(publish.status()).toBe(403)
      await leave(page)
    }
  })

  test('what no page takes is refused at the door, and what a browser says of its own way passes', async ({ page }) => {
    const status = async (path: string, init: { method?: string; headers?: Record<string, string> } = {}) =>
      (await page.request.fetch(`${base}${path}`, { ...init, maxRedirects: 0 })).status()
    expect(await status('/desk/%zz')).toBe(400)
    expect(await status('/desk', { method: 'PROPFIND' })).toBe(405)
    expect(await status('/sign-in', { headers: { 'next-router-state-tree': '%7B' } })).toBe(400)
    expect(await status('/sign-in', { method: 'POST', headers: { 'next-action': 'x'.repeat(40) } })).toBeLessThan(500)
    await signIn(page, owner)
    await page.goto('/class')
    const asked = page.waitForResponse((answer) => answer.request().headers()['next-router-state-tree'] !== undefined)
    await page.getByRole('link', { name: 'Reference', exact: true }).click()
    expect((await asked).status()).toBe(200)
  })

  test('a bench reaches its own run and nothing else', async ({ browser }) => {
    const page = await openBench(browser, codeToday(1))
    const origin = base
    const post = (path: string) => page.request.post(path, { data: { entries: [{}] }, headers: { origin } })
    expect((await post(`/api/runs/${on.runs[1]!.id}/entries`)).status()).toBe(403)
    expect((await post(`/api/runs/${on.runs[0]!.id}/entries`)).status()).toBe(400)
    expect((await page.request.get(`/api/sessions/${on.id}/results.csv`)).status()).toBe(403)
    await page.goto('/class')
    await expect(page).toHaveURL(/sign-in/)
    await leave(page)
  })

  test('a code of another day and a mistyped one are told apart', async ({ page }) => {
    await page.goto('/bench')
    await page.getByRole('button', { name: 'Open our bench' }).click()
    await expect(page.getByText('Type the six signs')).toBeVisible()
    await page.getByLabel('Bench code').fill('000000')
    await page.keyboard.press('Enter')
    await expect(page.getByText('No bench has this code')).toBeVisible()
    await page.getByLabel('Bench code').fill(made.sessions[2]!.runs[0]!.code)
    await page.keyboard.press('Enter')
    await expect(page.getByText(/This code is for/)).toBeVisible()
  })

  test('a change that another site asks for is refused', async ({ page }) => {
    await signIn(page, owner)
    for (const headers of [{ origin: 'https://elsewhere.example' }, {}] as Record<string, string>[]) {
      const answer = await page.request.delete('/api/sign-in', { headers })
      expect(answer.status()).toBe(403)
    }
  })
})

test('security headers allow nothing from outside, cookies are sealed, and a session is good at every process', async ({
  page,
}) => {
  const outside: string[] = []
  const complaints: string[] = []
  page.on('request', (request) => {
    if (!request.url().startsWith(base) && !request.url().startsWith('data:')) outside.push(request.url())
  })
  page.on('console', (message) => {
    if (/content security policy|hydrat|minified react error/i.test(message.text())) complaints.push(message.text())
  })
  page.on('pageerror', (error) => complaints.push(error.message))
  await signIn(page, owner)
  const response = (await page.goto(`/class/${finished.id}/results`))!
  await expect(page.locator('.recharts-surface').first()).toBeVisible()
  await openDesk(page, 'Acetanilide')
  expect(outside).toEqual([])
  expect(complaints).toEqual([])
  const headers = response.headers()
  expect(headers['content-security-policy']).toMatch(
    /default-src 'none'; script-src 'self' 'nonce-[^']+' 'strict-dynamic'; style-src 'self';/,
  )
  expect(headers['content-security-policy']).not.toMatch(/unsafe-eval|script-src[^;]*unsafe-inline|https?:/)
  expect(headers).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
    'x-frame-options': 'DENY',
  })
  expect(headers['x-powered-by']).toBeUndefined()
  const [cookie] = (await page.context().cookies()).filter(({ name }) => name === 'mozle-user')
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' })
  expect(cookie!.value).not.toContain(owner.id)
  const elsewhere = await page.request.get(`${secondServer}/desk`, {
    headers: { cookie: `mozle-user=${cookie!.value}` },
    maxRedirects: 0,
  })
  expect(elsewhere.status()).toBe(200)
})

test('the administrator sees how the service stands, and nobody else does', async ({ page, browser }) => {
  await signIn(page, owner)
  await page.goto('/college')
  await page.getByRole('link', { name: 'The service' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The service')
  await expect(page.getByRole('row', { name: /^its tables/ })).toContainText('as this program needs them')
  await expect(page.getByRole('row', { name: /^program/ })).toContainText('Mozle 0.')
  await expect(page.getByRole('row', { name: /^by night/ })).toContainText('no backup is made')
  await expectAccessible(page)
  await page.setViewportSize({ width: 360, height: 740 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  const other = await browser.newPage()
  await signIn(other, demonstrator)
  expect((await other.goto(new URL('/college/service', page.url()).href))!.status()).toBe(404)
  await other.close()
})
