/** Every page and every payload, for every role and course: what is in it that should not be. */
import { expect, test, type APIRequestContext } from '@playwright/test'
import { base, demonstrator, made, owner, reader, stores, type Person } from './support'

const { second } = made
const [finished, on] = made.sessions as [(typeof made.sessions)[0], (typeof made.sessions)[0]]
const preparation = made.preparations[0]!
const draftWords = 'Words of a draft that only its owner reads'
const headers = { origin: base }

/** What must not reach everyone, as it would stand in a page or an answer. */
const secrets = {
  draft: [draftWords],
  codes: on.runs.flatMap(({ code, readCode }) => [code, readCode]),
  entries: [...on.runs, ...finished.runs].flatMap(({ entries }) => entries.slice(0, 2).map(({ id }) => id)),
  secondDraft: ['Words of a draft in the second course'],
  second: ['Secret of the second course', 'Zane, Zobel', second.code, second.readCode],
}
type Secret = keyof typeof secrets

const pages = (course: string, plan: string, session: string, revision: string, run: string) => [
  '/',
  '/desk',
  '/desk/new',
  `/desk/${plan}`,
  `/desk/${plan}?revision=2`,
  `/desk/${plan}/safety?revision=2`,
  `/desk/${plan}/handout?revision=2`,
  '/desk/new/reading',
  `/desk/${plan}/compare?from=1&to=2`,
  '/class',
  '/class/new',
  '/course',
  '/college',
  `/class/${session}`,
  `/class/${session}/cards`,
  `/class/${session}/${run}`,
  `/api/courses/${course}/sessions.ics`,
  `/class/${session}/results`,
  '/reference',
  '/stores',
  '/stores/shelf',
  `/stores/${session}`,
  `/stores/${session}/labels`,
  `/stores/${session}/waste`,
  `/stores/${session}/timetable`,
  `/stores/${session}/stock`,
  `/api/sessions/${session}/stores`,
  '/reference/solutions',
  '/reference/scratch',
  '/reference/laboratory',
  '/bench',
  `/api/courses/${course}/plans?title=${encodeURIComponent(preparation.plan.title)}`,
  `/api/courses/${course}/plans?title=${encodeURIComponent('Secret of the second course')}`,
  `/api/courses/${course}/substances?q=aniline`,
  `/api/courses/${course}/operations`,
  ...['plan', 'structures', 'table.csv', 'doubts?scale=1', 'document'].map((what) => `/api/revisions/${revision}/${what}`),
  `/api/sessions/${session}/results.csv`,
  `/api/runs/${run}/entries`,
]

async function sign(request: APIRequestContext, { signIn, password }: Person) {
  expect((await request.post('/api/sign-in', { data: { signIn, password }, headers })).status()).toBe(200)
}

/** A draft with words of its own, in the place of whatever another test on this stand left behind. */
async function draftOf(author: APIRequestContext): Promise<string> {
  let from = preparation.revision
  for (let tries = 0; tries < 3; tries++) {
    const started = await author.post(`/api/preparations/${preparation.id}/drafts`, {
      headers,
      data: { from, plan: { ...preparation.plan, aim: draftWords } },
    })
    if (started.ok()) return ((await started.json()) as { id: string }).id
    const { theirs } = (await started.json()) as { theirs: { id: string; state: string } }
    if (theirs.state === 'draft') expect((await author.delete(`/api/revisions/${theirs.id}`, { headers })).status()).toBe(200)
    else from = theirs.id
  }
  throw new Error('No draft could be started.')
}

test('who sees what, walked through', { tag: '@all' }, async ({ playwright }) => {
  test.setTimeout(240_000)
  const as = () => playwright.request.newContext({ baseURL: base })
  const author = await as()
  await sign(author, owner)
  const draft = await draftOf(author)

  const allowed: [Person, Secret[]][] = [
    [owner, ['draft', 'codes', 'entries']],
    [demonstrator, ['codes', 'entries']],
    [stores, []],
    [reader, []],
    [second.person, ['secondDraft', 'second']],
  ]
  for (const [person, may] of allowed) {
    const request = await as()
    await sign(request, person)
    const seen = new Set<Secret>()
    const walk = [
      ...pages(made.course.id, preparation.id, on.id, draft, on.runs[0]!.id),
      ...pages(made.course.id, preparation.id, finished.id, preparation.revision, finished.runs[0]!.id),
      ...pages(second.ids.course, second.ids.preparation, second.ids.session, second.ids.draft, second.ids.run),
      ...pages(second.ids.course, second.ids.preparation, second.ids.session, second.ids.revision, second.ids.run),
    ]
    for (const path of new Set(walk))
      for (const rsc of path.startsWith('/api') ? [false] : [false, true]) {
        const answer = await request.get(path, { maxRedirects: 0, ...(rsc ? { headers: { rsc: '1' } } : {}) })
        const text = await answer.text()
        expect([person.signIn, path, answer.status() < 500]).toEqual([person.signIn, path, true])
        for (const secret of Object.keys(secrets) as Secret[]) {
          if (!secrets[secret].some((words) => text.includes(words))) continue
          expect([person.signIn, path, secret, may.includes(secret)]).toEqual([person.signIn, path, secret, true])
          seen.add(secret)
        }
      }
    // What they may see is really there, or the walk would prove nothing.
    expect([person.signIn, [...seen].sort()]).toEqual([person.signIn, [...may].sort()])
    await request.dispose()
  }
  expect((await author.delete(`/api/revisions/${draft}`, { headers })).status()).toBe(200)
  await author.dispose()
})

test('an owner of one course is only stores in the other: nothing of the other is written, read or handed out', async ({
  playwright,
}) => {
  const request = await playwright.request.newContext({ baseURL: base })
  await sign(request, second.person)
  const run = on.runs[0]!.id
  const changes: [string, string, object][] = [
    ['POST', `/api/preparations/${preparation.id}/drafts`, { from: preparation.revision, plan: preparation.plan }],
    ['POST', `/api/preparations/${preparation.id}/copy`, {}],
    ['PATCH', `/api/preparations/${preparation.id}`, { archived: true }],
    ['POST', `/api/revisions/${preparation.revision}/publish`, { version: 1, safetyRead: true }],
    ['PUT', `/api/courses/${made.course.id}/lab`, {}],
    ['POST', `/api/runs/${run}/code`, {}],
    ['POST', `/api/runs/${run}/signatures`, { step: 'charge-aniline' }],
    ['POST', `/api/courses/${made.course.id}/people`, { name: 'x', signIn: 'xx', role: 'owner' }],
    ['PATCH', `/api/courses/${made.course.id}/people/${owner.id}`, { role: 'reader' }],
    ['POST', `/api/courses/${made.course.id}/people/${owner.id}/link`, {}],
    ['POST', `/api/college/people/${owner.id}/link`, {}],
    ['POST', `/api/courses/${made.course.id}/copy`, { title: 'x', term: 'y' }],
    ['PUT', `/api/sections/${made.sections[0]!.id}/groups`, { groups: [], seen: [] }],
    ['DELETE', `/api/sessions/${made.sessions[2]!.id}`, { reason: 'x' }],
    ['PATCH', `/api/sessions/${made.sessions[2]!.id}`, {}],
    ['PUT', `/api/runs/${run}/absent`, { absent: [] }],
    ['POST', `/api/revisions/${preparation.revision}/approve`, {}],
    ['POST', `/api/courses/${made.course.id}/preparations`, { file: JSON.stringify(preparation.plan) }],
  ]
  for (const [method, path, data] of changes)
    expect([path, (await request.fetch(path, { method, data, headers })).status()]).toEqual([path, 403])
  for (const path of [`/api/runs/${run}/live`, `/api/sessions/${on.id}/live`, `/api/sessions/${on.id}/results.csv`])
    expect([path, (await request.get(path)).status()]).toEqual([path, 403])
  const [theirs, own] = [await request.get(`/class/${on.id}/results`), await request.get(`/class/${second.ids.session}`)]
  expect([theirs.status(), own.status()]).toEqual([404, 200])
  // And the other way round: the first course's owner has nothing in the second.
  await sign(request, owner)
  for (const path of [`/desk/${second.ids.preparation}`, `/class/${second.ids.session}`, `/class/${second.ids.session}/results`])
    expect([path, (await request.get(path)).status()]).toEqual([path, 404])
  await request.dispose()
})

test('a person of two courses looks at either', async ({ page }) => {
  await page.request.post('/api/sign-in', { data: second.person, headers })
  await page.goto('/desk')
  await expect(page.getByLabel('Course')).toHaveValue(made.course.id)
  await expect(page.getByRole('link', { name: 'New preparation' })).toHaveCount(0)
  await page.getByLabel('Course').selectOption({ label: 'Organic laboratory II' })
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
  await page.getByRole('link', { name: 'Desk', exact: true }).click()
  await expect(page.getByRole('link', { name: 'Secret of the second course', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: 'New preparation' })).toBeVisible()
  const elsewhere = await page.request.post('/api/course', { data: { course: '01KE6JQ300WMZ78F1JA0FW3PCA' }, headers })
  expect(elsewhere.status()).toBe(403)
})

test('what was opened ends: signing out at once, a copied cookie with it; a tab behind the slash leads nowhere', async ({
  page,
  context,
}) => {
  await page.request.post('/api/sign-in', { data: { signIn: reader.signIn, password: reader.password }, headers })
  const [cookie] = (await context.cookies()).filter(({ name }) => name === 'mozle-user')
  await page.request.delete('/api/sign-in', { headers })
  const copied = await page.request.get('/desk', { headers: { cookie: `mozle-user=${cookie!.value}` }, maxRedirects: 0 })
  expect(copied.headers().location).toContain('/sign-in')
  await page.goto('/sign-in?to=/%09/elsewhere.example')
  await page.getByLabel('Name').fill(reader.signIn)
  await page.getByLabel('Password').fill(reader.password)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible()
  expect(new URL(page.url()).origin).toBe(base)
})

test('every kind of answer carries the headers, and is not kept unless it says so', async ({ request }) => {
  for (const path of ['/sign-in', '/nowhere', '/api/health', '/api/nowhere', '/_next/static/none.js', '/icon.svg', '/desk']) {
    const answer = await request.get(path, { maxRedirects: 0 })
    const found = answer.headers()
    expect([path, found['x-content-type-options'], found['x-frame-options'], found['referrer-policy']]).toEqual([
      path,
      'nosniff',
      'DENY',
      'no-referrer',
    ])
    expect([path, found['cache-control']]).toEqual([path, expect.stringMatching(/no-store|immutable/)])
    expect([path, found['content-security-policy']]).toEqual([path, expect.stringContaining("default-src 'none'")])
  }
  const https = await request.post('/api/sign-in', {
    data: { signIn: 'x', password: 'y' },
    headers: { ...headers, 'x-forwarded-proto': 'https' },
  })
  expect(https.status()).toBe(401)
})
