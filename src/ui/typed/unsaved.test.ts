import { Unsaved, writeBack } from './unsaved'

/** As much of a text field as is looked at. */
class StandInField {
  dataset: Record<string, string> = {}
  type = 'text'
  isConnected = true
  labels = null
  constructor(
    public name: string,
    public value: string,
  ) {}
  getAttribute = (): null => null
  closest = (): null => null
  dispatchEvent = (): boolean => true
}
class Other {}

const field = (name: string, value: string) => new StandInField(name, value) as unknown as HTMLInputElement
const page = { pathname: '/class/new' }

beforeAll(() => {
  const others = { HTMLTextAreaElement: Other, HTMLSelectElement: Other, Element: Other }
  Object.assign(globalThis, { HTMLInputElement: StandInField, ...others, location: page })
})

function typedInto(unsaved: Unsaved, each: HTMLInputElement, text: string): void {
  unsaved.reached(each)
  each.value = text
  unsaved.typed(each)
}

test('a field is open from its first key until it holds what it held, and a field that writes itself says so', () => {
  const unsaved = new Unsaved(() => 0)
  const room = field('room', 'L2')
  typedInto(unsaved, room, 'L21')
  expect(unsaved.asks()).toBe(true)
  typedInto(unsaved, room, 'L2')
  expect(unsaved.asks()).toBe(false)
  typedInto(unsaved, room, 'L3')
  room.dataset.written = 'yes'
  expect(unsaved.asks()).toBe(false)
})

test('what a failed page kept is asked about on that page only, until it is written back', () => {
  const unsaved = new Unsaved(() => 0)
  page.pathname = '/class/new'
  const room = field('room', '')
  typedInto(unsaved, room, 'Cellar')
  expect(unsaved.hold()).toEqual([{ name: ' | room', value: 'Cellar' }])
  Object.assign(room, { isConnected: false })
  expect(unsaved.asks()).toBe(true)
  page.pathname = '/desk'
  expect(unsaved.asks()).toBe(false)
  page.pathname = '/class/new'
  expect(unsaved.asks()).toBe(true)
  unsaved.released([])
  expect(unsaved.asks()).toBe(false)
})

test('a field that is not there yet waits for the next attempt', () => {
  const there = field('from', '08:15')
  Object.assign(globalThis, { document: { querySelectorAll: () => [there] } })
  const rest = { name: ' | room', value: 'Cellar' }
  expect(writeBack([{ name: ' | from', value: '08:15' }, rest])).toEqual([rest])
})
