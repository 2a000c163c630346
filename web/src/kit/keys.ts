import { useEffect } from 'react'

/** Single letters for the desk. They never steal from a field that is being typed in. */
export function useKeys(keys: Record<string, () => void>) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement
      const typing = target.closest(
        'input, textarea, select, [contenteditable], [role="slider"], [role="dialog"], [role="menu"]',
      )
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return
      const run = keys[event.key]
      if (run) {
        event.preventDefault()
        run()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [keys])
}

export const keySheet: [string, string][] = [
  ['n', 'do the next act'],
  ['l', 'log a level'],
  ['t', 'log a temperature'],
  ['k', 'skim'],
  ['w', 'water in'],
  ['j', 'judge the end'],
  ['1 … 9', 'open a vessel'],
  ['f', 'big figures, or the pots'],
  ['z', 'undo the last act'],
  ['g', 'go to the range'],
  ['?', 'this sheet'],
]
