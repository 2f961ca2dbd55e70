/** The college's other systems: a token from the page, every operation of the document, and what a token may not do. */
import { expect, test } from '@playwright/test'
import { Validator } from '@seriousme/openapi-schema-validator'
import { walkInterface } from '../src/test-support/interfaceWalk'
import { base, expectAccessible, made, owner, secondServer, signIn } from './support'

test('a token is made, used at both applications, seen as used and withdrawn', async ({ page }) => {
  await signIn(page, owner)
  await page.goto('/college')
  await page.getByRole('link', { name: 'Other systems' }).click()
  await expect(page.getByRole('heading', { name: 'Other systems', level: 1 })).toBeVisible()
  const press = (name: string) => page.getByRole('button', { name, exact: true }).click()
  // What is missing is said, and what was typed stays.
  await page.getByLabel('Which system').fill('Registry')
  await press('Make the token')
  await expect(page.getByRole('main').getByRole('alert')).toContainText('Choose what it may do.')
  await page.getByLabel('Ends after, days').fill('1000')
  await page.getByRole('checkbox', { name: /^people\.read/ }).check()
  await press('Make the token')
  await expect(page.getByRole('main').getByRole('alert')).toContainText('730 days at the most')
  await expect(page.getByLabel('Which system')).toHaveValue('Registry')
  await page.getByLabel('Ends after, days').fill('30')
  await page.getByLabel('Good for').selectOption({ index: 1 })
  await press('Make the token')
  const secret = await page.getByLabel('Token for Registry').inputValue()
  await expectAccessible(page)
  const row = page.getByRole('row', { name: /Registry/ })
  await expect(row).toContainText('never')

  const asks = (address: string, where = '/api/courses') =>
    fetch(`${address}${where}`, { headers: { authorization: `Bearer ${secret}` } })
  for (const address of [base, secondServer]) {
    const answer = (await (await asks(address)).json()) as { courses: { id: string }[] }
    expect(answer.courses).toHaveLength(1)
  }
  await page.reload()
  // The secret was shown once.
  await expect(page.getByLabel('Token for Registry')).toHaveCount(0)
  await expect(row).not.toContainText('never')
  await page.getByRole('button', { name: 'Withdraw the token of Registry' }).click()
  await press('Yes, withdraw it from Registry')
  await expect(row).toContainText('withdrawn')
  for (const address of [base, secondServer]) {
    const refused = await asks(address)
    expect([refused.status, await refused.json()]).toEqual([401, { error: 'This token has ended, was withdrawn, or never was.' }])
  }
  await page.goto('/college')
  const record = page.getByRole('region', { name: 'The record as a table' })
  await expect(record).toContainText('withdrew a token')
  // Which token it was stands there, and never its secret.
  const [of] = /[0-9A-Z]{26}/.exec(
    await record
      .getByRole('row', { name: /withdrew a token/ })
      .first()
      .innerText(),
  )!
  await expect(record.getByRole('row', { name: /made a token/ }).first()).toContainText(`made ${of}`)
  expect(await page.content()).not.toContain(secret)
})

test(
  'every operation of the document answers as it promises, to a token with its right and to no other',
  { tag: '@all' },
  async ({ page }) => {
    await signIn(page, owner)
    const document = (await (await page.request.get(`${base}/api/openapi.json`)).json()) as Record<string, unknown>
    const checked = await new Validator().validate(document)
    expect(checked.errors ?? []).toEqual([])
    expect(checked.valid).toBe(true)
    const { wrong, asked } = await walkInterface({
      addresses: [base, secondServer],
      course: made.course.id,
      finished: made.sessions[0]!.id,
      other: made.second.ids.course,
      make: async (data) => {
        const answer = await page.request.post(`${base}/api/college/tokens`, { data, headers: { origin: base } })
        expect(answer.status()).toBe(200)
        return ((await answer.json()) as { token: string }).token
      },
    })
    expect(wrong).toEqual([])
    expect(asked).toBeGreaterThan(100)
  },
)
