'use client'

import { useEffect, useId, useRef, useState } from 'react'
import { createPortal } from 'react-dom'

interface Props {
  words: string | undefined
  /** The name of the field that the words are about, where it is known. */
  field?: string | undefined
}

/**
 * What went wrong, in words: beside the field that it is about, where this form has it by that name, and else where this stands. The field says so to those who do not see it.
 */
export function Problem({ words, field }: Props) {
  const marker = useRef<HTMLSpanElement>(null)
  const id = useId()
  const [host, setHost] = useState<HTMLElement>()
  useEffect(() => {
    if (!words || !field) return
    const around = marker.current?.closest('form, [role=dialog], section')
    const input = [...(around?.querySelectorAll<HTMLElement>('input, textarea, select') ?? [])].find((each) => {
      const name = each.getAttribute('name') ?? ''
      return name === field || name.endsWith(`.${field}`)
    })
    if (!input) return
    const place = document.createElement('span')
    place.className = 'problem-place'
    // Within a label it would be read as part of the field's name.
    ;(input.closest('label') ?? input).after(place)
    input.setAttribute('aria-invalid', 'true')
    input.setAttribute('aria-describedby', id)
    input.focus()
    setHost(place)
    return () => {
      input.removeAttribute('aria-invalid')
      input.removeAttribute('aria-describedby')
      place.remove()
      setHost(undefined)
    }
  }, [words, field, id])
  return (
    <>
      <span ref={marker} hidden />
      {words && host
        ? createPortal(
            <span className="problem" role="alert" id={id}>
              {words}
            </span>,
            host,
          )
        : words && (
            <p className="problem" role="alert" id={id}>
              {words}
            </p>
          )}
    </>
  )
}
