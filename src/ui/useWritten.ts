import { useRef, useState, type ChangeEvent, type KeyboardEvent, type PointerEvent } from 'react'

interface Asked {
  /** What stands there while nobody types. */
  value: string
  /** Takes what was typed, or says why it cannot stand: then it stays as it was typed, with the reason. */
  take: (text: string) => string | undefined
  /** False where Enter makes a new line. */
  enterTakes?: boolean
}

/**
 * How every field and blank is written: on leaving it or on Enter what was typed is taken; what is refused stays with its reason; Esc brings back what stood there.
 */
export function useWritten({ value, take, enterTakes = true }: Asked) {
  const [text, setText] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const fresh = useRef(false)
  const restore = () => {
    setText(undefined)
    setProblem(undefined)
  }
  const commit = () => {
    if (text === undefined || text.trim() === value) return restore()
    const wrong = take(text.trim())
    setProblem(wrong)
    if (wrong === undefined) setText(undefined)
  }
  return {
    problem,
    input: {
      value: text ?? value,
      // Read by the guard of unsaved fields (ui/typed).
      'data-written': text === undefined || text.trim() === value ? 'taken' : 'open',
      'aria-invalid': problem ? (true as const) : undefined,
      onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => setText(event.currentTarget.value),
      // A click into a field in which nothing is being typed selects what stands there, as Tab does: typing replaces it.
      onPointerDown: (event: PointerEvent<HTMLInputElement | HTMLTextAreaElement>) => {
        const field = event.currentTarget
        const here = field === field.ownerDocument.activeElement
        // Where all is selected already, or something is being typed, a click sets the cursor.
        const all = field.selectionStart === 0 && field.selectionEnd === field.value.length
        fresh.current = enterTakes && (!here || (text === undefined && !all))
      },
      onPointerUp: (event: PointerEvent<HTMLInputElement | HTMLTextAreaElement>) => {
        const { selectionStart, selectionEnd } = event.currentTarget
        // What was selected by drawing over it stays selected.
        if (fresh.current && selectionStart === selectionEnd) event.currentTarget.select()
        fresh.current = false
      },
      onBlur: commit,
      onKeyDown: (event: KeyboardEvent) => {
        if (event.key === 'Enter' && enterTakes) {
          // What opens now and takes the cursor must not be pressed by this same key.
          event.preventDefault()
          commit()
        }
        if (event.key === 'Escape') restore()
      },
    },
  }
}
