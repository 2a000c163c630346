import { useCallback, useState } from 'react'

/**
 * Where a menu is put: into the part of the page that its button stands in, so that it belongs to that part for a screen reader too, and lies over a sheet
 * that it was opened from.
 */
export function useOver() {
  const [over, setOver] = useState<HTMLElement>()
  const trigger = useCallback((button: HTMLElement | null) => {
    if (button) setOver(button.closest<HTMLElement>('[role="dialog"], header, main') ?? undefined)
  }, [])
  return { trigger, over }
}
