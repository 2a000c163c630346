import { useRef } from 'react'
import type { Problem } from '../api/client'
import { Button } from './Button'
import { Note } from './Note'

/** Opens the camera, or a picker of files where there is none. */
export function PhotoButton({
  label,
  words,
  disabled,
  onPicture,
}: {
  /** Said to a screen reader. */
  label: string
  words: string
  disabled?: boolean
  onPicture: (picture: File) => void
}) {
  const file = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={file}
        type="file"
        accept="image/jpeg,image/png"
        capture="environment"
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const picture = event.target.files?.[0]
          event.target.value = ''
          if (picture) onPicture(picture)
        }}
      />
      <Button type="button" disabled={disabled} onClick={() => file.current?.click()}>
        {words}
      </Button>
    </>
  )
}

/** Why a photo was not kept. */
export function PhotoRefused({ problem }: { problem: Problem }) {
  return (
    <Note>
      {problem.status === 0
        ? 'A photo needs the connection; take it again when it is back.'
        : (problem.fields.photo?.reason ?? problem.message)}
    </Note>
  )
}
