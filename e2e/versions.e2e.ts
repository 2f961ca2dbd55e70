/** A plan of version 2 of the file, whose words said what its steps mean: what was read from them is shown, corrected and taken over. */
import { expect, test } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { base, made, owner, saved, signIn } from './support'

const old = readFileSync(new URL('../src/core/reading/version2/separation.json', import.meta.url), 'utf8')

test('what was read from the words stands in the margin of a draft until its author has looked at it', async ({ page }) => {
  await signIn(page, owner)
  const answer = await page.request.post(`/api/courses/${made.course.id}/preparations`, {
    data: { file: old.replace(/"title": "[^"]*"/, '"title": "Separation, from an old file"') },
    headers: { origin: base },
  })
  expect(answer.ok(), await answer.text()).toBe(true)
  await page.goto(`/desk/${((await answer.json()) as { id: string }).id}`)
  const notes = page.getByRole('heading', { name: /Read from the words/ })
  await expect(notes.first()).toBeVisible()
  const all = await notes.count()
  expect(all).toBeGreaterThan(8)

  await page.getByRole('button', { name: 'Extract with acid', exact: true }).click()
  const step = page.getByRole('region', { name: 'Extraction, worked out' })
  await expect(step.getByLabel('portions, read from the words')).toHaveValue('3')
  await step.getByLabel('portions, read from the words').fill('2')
  await page.keyboard.press('Tab')
  await expect(step.getByLabel('portions', { exact: true })).toHaveValue('2')
  await expect(step.getByLabel('flask it is drawn into, read from the words')).toHaveValue('A')
  // A unit may stand behind a number, and another of the same kind is converted.
  const volume = step.getByLabel('volume of a portion, mL, from the plan')
  await volume.fill('0.02 L')
  await page.keyboard.press('Tab')
  await expect(step.getByLabel('volume of a portion, mL', { exact: true })).toHaveValue('20')
  await step.getByLabel('volume of a portion, mL', { exact: true }).fill('20 g')
  await page.keyboard.press('Tab')
  await expect(step.getByRole('alert')).toContainText('This place holds mL, not')
  await page.keyboard.press('Escape')

  // What it makes sure of is ticked, and the margin asks where it is not.
  await page.getByRole('group', { name: 'Step Extract with acid' }).getByLabel('a layer is thrown away here').check()
  await expect(page.getByRole('heading', { name: 'A layer goes before the product is weighed' })).toBeVisible()
  await page.getByRole('group', { name: 'Step Extract with acid' }).getByLabel('a layer is thrown away here').uncheck()
  await expect(page.getByRole('heading', { name: 'A layer goes before the product is weighed' })).toHaveCount(0)

  await page
    .getByRole('button', { name: /^All \d+ steps are right$/ })
    .first()
    .click()
  await expect(notes).toHaveCount(0)
  await expect(step.getByLabel('flask it is drawn into', { exact: true })).toHaveValue('A')
  await saved(page)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1, name: 'Separation, from an old file' })).toBeVisible()
  await expect(notes).toHaveCount(0)
})
