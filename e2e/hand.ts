import { expect, type Locator, type Page } from '@playwright/test'

/** How a person works at the Desk: with the mouse wherever it goes, or without touching it. */
export type By = 'mouse' | 'keyboard'

const isFocused = (field: Locator) => field.evaluate((element) => element === document.activeElement)

/** Works at the Desk as a person would, and counts what that takes: a move to a field, a word typed, a key, a click. */
export function handOf(page: Page, by: By) {
  let count = 0
  const into = async (field: Locator) => {
    if (await isFocused(field)) return
    count++
    if (by === 'mouse') await field.click()
    else await field.focus()
  }
  const type = async (text: string) => {
    count++
    await page.keyboard.type(text)
  }
  const key = async (name: string) => {
    count++
    await page.keyboard.press(name)
  }
  const write = async (field: Locator, text: string) => {
    await into(field)
    await field.selectText()
    await type(text)
    await key('Enter')
  }
  /** The first that is offered for the letters typed, or the one that is named. */
  const pick = async (field: Locator, letters: string, option?: string | RegExp) => {
    await into(field)
    await type(letters)
    const options = page.locator('.picker [role=option]:visible')
    const wanted = option ? options.filter({ hasText: option }).first() : options.first()
    await expect(wanted).toBeVisible()
    if (by === 'mouse') {
      count++
      await wanted.click()
    } else {
      while ((await wanted.getAttribute('aria-selected')) !== 'true') await key('ArrowDown')
      await key('Enter')
    }
  }
  const press = async (button: Locator) => {
    count++
    if (by === 'mouse') return button.click()
    await button.focus()
    count++
    await page.keyboard.press('Enter')
  }
  const choose = async (field: Locator, label: string | RegExp) => {
    await into(field)
    count++
    const options = await field.locator('option').allTextContents()
    const wanted = options.find((each) => (typeof label === 'string' ? each === label : label.test(each)))
    await field.selectOption({ label: wanted ?? String(label) })
  }
  const table = (what: string) => page.getByRole('textbox', { name: new RegExp(`^${what}(,|$)`) })
  return {
    write,
    pick,
    press,
    choose,
    type,
    /** A preparation from nothing: its title, what it starts from, what comes of it. */
    begin: async (title: string, start: string, product?: { label: string; letters: string }) => {
      await page.goto('/desk/new')
      await type(title)
      if (product && product.label !== 'It makes') await check(/isolates or separates/)
      if (!product) await check(/neither/)
      await pick(page.getByRole('combobox', { name: product ? 'It starts from' : 'It works with' }), start)
      if (product) await pick(page.getByRole('combobox', { name: product.label }), product.letters)
      await press(page.getByRole('button', { name: 'Write this preparation' }))
      await expect(page.getByRole('heading', { name: title, level: 1 })).toBeVisible()
    },
    /** A further substance, as the part that it plays, and the figure that is typed at once. */
    line: async (letters: string, part: string, figure?: string, option?: string | RegExp) => {
      const role = page.getByLabel('Part of the substance that is added')
      if ((await role.inputValue()) !== part) await choose(role, part)
      const rows = await page.locator('.reaction tr[data-about]').count()
      await pick(page.getByRole('combobox', { name: 'Add a substance: name or formula' }), letters, option)
      await expect(page.locator('.reaction tr[data-about]')).toHaveCount(rows + 1)
      await expect(page.locator('.cell input:focus')).toBeVisible()
      if (figure === undefined) return
      await type(figure)
      await key('Enter')
    },
    figure: (cell: string, text: string) => write(table(cell), text),
    minutes: (step: Locator, minutes: string) => write(step.getByLabel(/^clock/), minutes),
    /** Its title; a step is found by it afterwards. */
    rename: (step: Locator, title: string) => write(step.getByLabel('title', { exact: true }), title),
    coefficient: (name: string, text: string) => write(page.getByLabel(`Coefficient of ${name}`), text),
    /** A further step; it stands open, and is given back. */
    step: async (letters: string, title: string): Promise<Locator> => {
      await pick(page.getByRole('combobox', { name: 'Add a step' }), letters)
      const step = page.getByRole('group', { name: `Step ${title}` })
      await expect(step.last()).toBeVisible()
      return step.last()
    },
    get count() {
      return count
    },
  }

  async function check(name: RegExp) {
    count++
    const radio = page.getByRole('radio', { name })
    if (by === 'mouse') return radio.check()
    await radio.focus()
    count++
    await page.keyboard.press('Space')
  }
}
