import { api, asCsv, data } from '../../api/client'
import { useChange } from '../../api/queries'
import { TableSheet } from '../../kit/TableSheet'

const EXAMPLE = `station,formula,litres,ready by,without,note
Sauce,brown-veal,12,2026-11-28 15:00,celery,for the jus`

/** Calls out of a table. */
export function CallTableSheet({ onClose }: { onClose: () => void }) {
  const reading = useChange(
    async (file: File) => data(api.POST('/api/calls/table', await asCsv(file))),
    'calls',
    'the-course',
  )
  const asked = reading.data?.length
  return (
    <TableSheet
      title="Calls from a table"
      says="One line for each call, under this heading. Hours are those of the kitchen. All lines are asked for, or none; a table that is sent twice asks once."
      example={EXAMPLE}
      reading={reading}
      done={
        asked === undefined
          ? undefined
          : asked === 1
            ? 'One call is asked for.'
            : `${asked} calls are asked for.`
      }
      onClose={onClose}
    />
  )
}
