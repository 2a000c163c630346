import type { Problem } from '../api/client'
import { Button } from './Button'
import { FileField, FileRefused } from './FileField'
import { Sheet } from './Sheet'

interface Props {
  title: string
  /** What its lines are, and what becomes of them. */
  says: string
  /** A heading with a line under it. */
  example: string
  /** What is sent at the moment. */
  reading: { isPending: boolean; error: Problem | null; mutate: (file: File) => void }
  /** What came of it; nothing until then. */
  done?: string
  onClose: () => void
}

/** A table out of a file: all of its lines, or none. */
export function TableSheet({ title, says, example, reading, done, onClose }: Props) {
  return (
    <Sheet title={title} open onClose={onClose}>
      <div className="grid gap-5">
        <p className="text-18 m-0">{says}</p>
        <pre className="border-rule bg-raised text-15 m-0 overflow-x-auto border-l-4 p-3">{example}</pre>
        <FileField accept=".csv,text/csv" onFile={(file) => reading.mutate(file)} />
        {reading.isPending && <p className="text-18 text-quiet m-0">Reading …</p>}
        <FileRefused problem={reading.error} />
        {done !== undefined && (
          <>
            <p className="text-18 m-0 font-semibold" role="status">
              {done}
            </p>
            <Button tone="act" large onClick={onClose}>
              See them
            </Button>
          </>
        )}
      </div>
    </Sheet>
  )
}
