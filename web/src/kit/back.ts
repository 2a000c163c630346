import { useEffect, useRef } from 'react'

/** How many things lie over the page. */
let open = 0
/** Waits a moment before the entry is taken out: what opens in the place of what has just closed takes it over. */
let leaving: ReturnType<typeof setTimeout> | undefined
let goingBack = false

const over = () => (window.history.state as { over?: boolean } | null)?.over === true

function enter() {
  if (!over()) window.history.pushState({ ...(window.history.state as object | null), over: true }, '')
}

/** Takes the entry out. A browser goes back a moment later; what has opened meanwhile gets an entry of its own then. */
function leave() {
  if (open > 0 || !over()) return
  goingBack = true
  const gone = () => {
    goingBack = false
    if (open > 0) enter()
  }
  window.addEventListener('popstate', gone, { once: true })
  window.history.back()
}

/**
 * Back closes what lies over the page before it leaves the page: an entry of its own is put into the browser's history while it is open, at the same
 * address, and is taken out again when it closes by other ways.
 */
export function useBack(isOpen: boolean, onClose: () => void) {
  const close = useRef(onClose)
  useEffect(() => {
    close.current = onClose
  })
  useEffect(() => {
    if (!isOpen) return
    open++
    clearTimeout(leaving)
    if (!goingBack) enter()
    const onPop = () => {
      if (!goingBack && !over()) close.current()
    }
    window.addEventListener('popstate', onPop)
    return () => {
      open--
      window.removeEventListener('popstate', onPop)
      leaving = setTimeout(leave)
    }
  }, [isOpen])
}
