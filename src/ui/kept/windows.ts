import type { Windows } from '../desk/keptDraft'

const answerMs = 150

/**
 * The windows of this browser that have one preparation open. Each answers when it is asked by name; a window that was duplicated finds its name taken and takes another.
 */
export class OpenWindows implements Windows {
  own: string
  private channel: BroadcastChannel | undefined

  constructor(private readonly preparation: string) {
    this.own = nameOfThisWindow()
  }

  /** Answers from here on. A page that was drawn and thrown away, or left, must not answer: its name would count as taken. */
  open(): void {
    if (this.channel || typeof BroadcastChannel === 'undefined') return
    const channel = new BroadcastChannel(`mozle-desk-${this.preparation}`)
    channel.addEventListener('message', ({ data }: MessageEvent<{ who?: true }>) => {
      if (data.who) channel.postMessage({ here: this.own })
    })
    this.channel = channel
  }

  readonly alive = async (): Promise<ReadonlySet<string>> => {
    const found = new Set<string>()
    const { channel } = this
    if (!channel) return found
    const hear = ({ data }: MessageEvent<{ here?: string }>) => data.here && found.add(data.here)
    channel.addEventListener('message', hear)
    channel.postMessage({ who: true })
    await new Promise((resolve) => setTimeout(resolve, answerMs))
    channel.removeEventListener('message', hear)
    if (found.has(this.own)) this.own = nameOfThisWindow(true)
    return found
  }

  close(): void {
    this.channel?.close()
    this.channel = undefined
  }
}

/** Kept for as long as the window is open, over reloads. */
function nameOfThisWindow(anew = false): string {
  const key = 'mozle-window'
  const name = () => Array.from(crypto.getRandomValues(new Uint8Array(8)), (byte) => byte.toString(16).padStart(2, '0')).join('')
  try {
    const known = anew ? null : sessionStorage.getItem(key)
    const own = known ?? name()
    sessionStorage.setItem(key, own)
    return own
  } catch {
    return name()
  }
}
