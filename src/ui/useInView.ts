import { useEffect, useRef, useState, type RefObject } from 'react'

const told = new WeakMap<Element, (inView: boolean) => void>()
let observer: IntersectionObserver | undefined

/** Whether an element stands in the window or just beside it; true until somebody knows. */
export function useInView<E extends Element>(): [RefObject<E | null>, boolean] {
  const ref = useRef<E>(null)
  const [inView, setInView] = useState(true)
  useEffect(() => {
    const element = ref.current
    if (!element) return
    observer ??= new IntersectionObserver(
      (entries) => entries.forEach(({ target, isIntersecting }) => told.get(target)?.(isIntersecting)),
      { rootMargin: '100px' },
    )
    told.set(element, setInView)
    observer.observe(element)
    return () => observer?.unobserve(element)
  }, [])
  return [ref, inView]
}
