import { api, data } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { FileField, FileRefused } from '../../kit/FileField'
import { Sheet } from '../../kit/Sheet'

const EXAMPLE = `station,formula,litres,ready by,without,note
Sauce,brown-veal,12,2026-11-28 15:00,celery,for the jus`

/** Calls out of a table: all of its lines, or none. */
export function TableSheet({ onClose }: { onClose: () => void }) {
  const asking = useChange(
    async (file: File) =>
      data(
        api.POST('/api/calls/table', {
          body: await file.text(),
          bodySerializer: (body) => body,
          headers: { 'Content-Type': 'text/csv' },
        }),
      ),
    'calls',
    'the-course',
  )
  const asked = asking.data?.length
  return (
    <Sheet title="Calls from a table" open onClose={onClose}>
      <div className="grid gap-5">
        <p className="text-18 m-0">
          One line for each call, under this heading. Hours are those of the kitchen. All lines are asked for,
          or none; a table that is sent twice asks once.
        </p>
        <pre className="border-rule bg-raised text-15 m-0 overflow-x-auto border-l-4 p-3">{EXAMPLE}</pre>
        <FileField accept=".csv,text/csv" onFile={(file) => asking.mutate(file)} />
        {asking.isPending && <p className="text-18 text-quiet m-0">Reading …</p>}
        <FileRefused problem={asking.error} />
        {asked !== undefined && (
          <>
            <p className="text-18 m-0 font-semibold" role="status">
              {asked === 1 ? 'One call is asked for.' : `${asked} calls are asked for.`}
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
