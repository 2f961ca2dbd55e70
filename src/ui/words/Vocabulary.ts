import { plainWords, sayer, type Words } from '@/core/words/say'
import { call } from '../call'
import { Store } from '../store'

const key = 'mozle.words'

/** The words of this device. They are kept here and nowhere else: two people at one course may write differently. */
export const words = new Store<Words>(plainWords)

/** Reads what this device has chosen before, else takes the college's words. Storage that cannot be read leaves those. */
export function recallWords(ofCollege: Words = plainWords): void {
  if (JSON.stringify(words.get()) !== JSON.stringify(ofCollege)) words.set(ofCollege)
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<Words> | null
    if (kept) words.set({ ...ofCollege, ...kept })
  } catch {
    // What cannot be read is as if nothing had been chosen.
  }
}

export function chooseWords(part: Partial<Words>): void {
  words.set({ ...words.get(), ...part })
  localStorage.setItem(key, JSON.stringify(words.get()))
}

/** What stands in a text node as it was rendered, and what is shown instead. */
interface Said {
  raw: string
  shown: string
}

/**
 * Says the text of the page in the words of this device, and follows every change of it: figures, names and charts are written in many places, and a
 * display choice must reach all of them alike. Fields keep what is written down. @returns a function that puts everything back
 */
export function sayThroughout(root: HTMLElement, names: readonly (readonly [string, string])[], chosen: Words): () => void {
  const say = sayer(chosen, names)
  const said = new Map<Text, Said>()
  const sayText = (node: Text) => {
    const before = said.get(node)
    const raw = before?.shown === node.data ? before.raw : node.data
    const shown = say(raw)
    if (shown === raw && !before) return
    said.set(node, { raw, shown })
    if (node.data !== shown) node.data = shown
  }
  const sayAll = (node: Node) => {
    if (node instanceof Text) return sayText(node)
    if (!(node instanceof Element) || node.closest('script, style, textarea, [data-as-written]')) return
    const walker = document.createTreeWalker(node, NodeFilter.SHOW_TEXT, (text) =>
      text.parentElement?.closest('script, style, textarea, [data-as-written]')
        ? NodeFilter.FILTER_REJECT
        : NodeFilter.FILTER_ACCEPT,
    )
    for (let next = walker.nextNode(); next; next = walker.nextNode()) sayText(next as Text)
  }
  sayAll(root)
  const observer = new MutationObserver((changes) => {
    for (const { type, target, addedNodes, removedNodes } of changes) {
      if (type === 'characterData') sayAll(target)
      addedNodes.forEach(sayAll)
      removedNodes.forEach((node) => node instanceof Text && said.delete(node))
    }
  })
  observer.observe(root, { characterData: true, childList: true, subtree: true })
  return () => {
    observer.disconnect()
    for (const [node, { raw, shown }] of said) if (node.data === shown) node.data = raw
  }
}

let names: Promise<[string, string][]> | undefined

/** Usual names with their systematic ones, fetched once and only where they are wanted. */
export function systematicNames(): Promise<[string, string][]> {
  names ??= call<{ names: [string, string][] }>('/api/words').then((answer) => answer.names)
  names.catch(() => (names = undefined))
  return names
}
