import type { Problem } from '../api/client'
import { Note } from './Note'

/** A file of this device, chosen by a finger. */
export function FileField({ accept, onFile }: { accept: string; onFile: (file: File) => void }) {
  return (
    <label className="border-ink bg-raised text-18 grid min-h-[64px] cursor-pointer place-items-center rounded-md border-2 border-dashed px-4 font-semibold">
      Choose a file
      <input
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) onFile(file)
          // The same file can be chosen again once it is mended.
          event.target.value = ''
        }}
      />
    </label>
  )
}

/** What is wrong with a file, place by place. */
export function FileRefused({ problem }: { problem: Problem | null }) {
  if (!problem) return null
  return (
    <Note>
      {Object.entries(problem.fields).map(([field, why]) => (
        <p key={field} className="m-0">
          <b className="font-semibold">{field}</b>: {why.reason}
          {why.low !== undefined && `, ${why.low} to ${why.high} ${why.unit ?? ''}`}
        </p>
      ))}
      {Object.keys(problem.fields).length === 0 && problem.message} Nothing was stored.
    </Note>
  )
}
