import { OpenWindows } from './windows'

const kept = new Map<string, string>()

beforeAll(() => {
  Object.defineProperty(globalThis, 'sessionStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    },
  })
})

afterAll(() => {
  Reflect.deleteProperty(globalThis, 'sessionStorage')
})

/** A window that was opened for a preparation, until the test ends. */
async function among(windows: OpenWindows[], look: () => Promise<void>): Promise<void> {
  try {
    for (const window of windows) window.open()
    await look()
  } finally {
    for (const window of windows) window.close()
  }
}

test('a page that was drawn and thrown away, or left, does not take the name: its history is found again', async () => {
  const thrownAway = new OpenWindows('p')
  const left = new OpenWindows('p')
  left.open()
  left.close()
  const here = new OpenWindows('p')
  await among([here], async () => {
    const { own } = here
    expect(own).toBe(thrownAway.own)
    expect(await here.alive()).toEqual(new Set())
    expect(here.own).toBe(own)
  })
})

test('a window that was duplicated finds its name taken and takes another; one of another preparation does not count', async () => {
  const first = new OpenWindows('p')
  const duplicate = new OpenWindows('p')
  const elsewhere = new OpenWindows('q')
  const name = first.own
  await among([first, duplicate, elsewhere], async () => {
    expect(await elsewhere.alive()).toEqual(new Set())
    expect(elsewhere.own).toBe(name)
    expect(await duplicate.alive()).toEqual(new Set([name]))
    expect(duplicate.own).not.toBe(name)
    expect(first.own).toBe(name)
  })
})
