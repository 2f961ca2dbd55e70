/** A field in which somebody types. */
type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement

/** What was typed into a field of a page that has failed. */
export interface Held {
  name: string
  value: string
}

interface Typing {
  /** What stood there before the first key. */
  was: string
  /** When the last key was pressed, ms of the page's own clock. */
  at: number
  /** Which field it is, so that the same field of a page that was built anew is found. */
  name: string
}

/** Text, and what is chosen inside a form; a choice outside a form is carried out at once. */
function asField(target: EventTarget | null): Field | undefined {
  if (target instanceof HTMLTextAreaElement) return target
  if (target instanceof HTMLSelectElement) return target.closest('form, [role=dialog]') ? target : undefined
  if (!(target instanceof HTMLInputElement)) return undefined
  if (['checkbox', 'radio'].includes(target.type)) return target.closest('form, [role=dialog]') ? target : undefined
  // What is typed to look for something is no loss; what is found and taken is another matter.
  if (target.getAttribute('role') === 'combobox') return undefined
  return ['search', 'file', 'range', 'submit', 'button'].includes(target.type) ? undefined : target
}

const valueOf = (field: Field) =>
  field instanceof HTMLInputElement && ['checkbox', 'radio'].includes(field.type) ? String(field.checked) : field.value

/** What a field is called, with the form or section it stands in. */
function nameOf(field: Field): string {
  const label = field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent ?? field.name
  const around = field.closest('form, [role=dialog], section')
  return [around?.getAttribute('aria-label') ?? around?.getAttribute('aria-labelledby') ?? '', label.trim()].join(' | ')
}

/**
 * What has been typed on this page and is not saved yet. A field that `useWritten` reads says itself whether it is open (`data-written`); any other is open from
 * the first key until what it belongs to has been saved, until it holds what it held before, or until it is gone. What only asks or looks
 * (a search, a calculation) stands in an element with `data-passing`.
 */
export class Unsaved {
  private readonly typings = new Map<Field, Typing>()
  private readonly before = new WeakMap<Field, string>()
  private pressed: { in: Element; at: number } | undefined

  constructor(private readonly now: () => number = () => performance.now()) {}

  /** The cursor comes into a field, or a key is about to change it. */
  readonly reached = (target: EventTarget | null): void => {
    const field = asField(target)
    if (field && !this.typings.has(field)) this.before.set(field, valueOf(field))
  }

  readonly typed = (target: EventTarget | null): void => {
    const field = asField(target)
    if (!field || field.closest('[data-passing]')) return
    const typing = this.typings.get(field)
    if (typing) typing.at = this.now()
    else this.typings.set(field, { was: this.before.get(field) ?? '', at: this.now(), name: nameOf(field) })
  }

  /** A button was pressed, or a form submitted: what is saved next belongs to what stands around it. */
  readonly acted = (target: EventTarget | null): void => {
    const around = target instanceof Element ? target.closest('form, [role=dialog], .line-editor, tr, li, section, main') : null
    if (around) this.pressed = { in: around, at: this.now() }
  }

  /** Something was saved that was sent at a moment: what had been typed until then beside the button that sent it is safe. */
  readonly saved = (sentAt: number): void => {
    const pressed = this.pressed
    if (!pressed || pressed.at > sentAt + 1) return
    for (const [field, typing] of this.typings)
      if (typing.at <= sentAt && pressed.in.contains(field)) {
        this.typings.delete(field)
        this.before.set(field, valueOf(field))
      }
  }

  private isOpen(field: Field, { was }: Typing): boolean {
    if (field.dataset.written !== undefined) return field.dataset.written === 'open'
    return valueOf(field) !== was
  }

  /** Fields on the page that hold something unsaved. */
  open(): Field[] {
    for (const field of this.typings.keys()) if (!field.isConnected) this.typings.delete(field)
    return [...this.typings].filter(([field, typing]) => this.isOpen(field, typing)).map(([field]) => field)
  }

  /** What a page that has failed keeps until it is written back, and which page that was. */
  private held: readonly Held[] = []
  private heldAt = ''

  /** True where leaving the page would lose something. */
  asks(): boolean {
    return (this.held.length > 0 && this.heldAt === location.pathname) || this.open().length > 0
  }

  /** Keeps what is typed, also in fields that are no longer on the page: for a page that has failed. */
  hold(): readonly Held[] {
    const now = [...this.typings]
      .filter(([field, typing]) => this.isOpen(field, typing))
      .map(([field, { name }]) => ({ name, value: valueOf(field) }))
    if (now.length > 0) this.held = now
    this.heldAt = location.pathname
    return this.held
  }

  /** What was held has been written back, but for what found no field. */
  released(rest: readonly Held[]): void {
    this.held = rest
  }
}

/** Writes into the fields of a page that was built anew what had been typed into them. @returns what found no field yet */
export function writeBack(typed: readonly Held[]): Held[] {
  const fields = [...document.querySelectorAll<Field>('input, textarea, select')]
  return typed.filter(({ name, value }) => {
    const field = fields.find((each) => asField(each) && nameOf(each) === name)
    if (!field) return true
    if (valueOf(field) === value) return false
    if (field instanceof HTMLInputElement && ['checkbox', 'radio'].includes(field.type)) {
      field.click()
      return false
    }
    // React hears of a value only by the setter of the element's own class and the event.
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')!.set!.call(field, value)
    field.dispatchEvent(new Event(field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }))
    return false
  })
}
