import { api, data, type Schemas } from '../../api/client'
import { useChange } from '../../api/queries'

export type Trouble = Schemas['Trouble']

/** What has happened already, whatever it was. */
export const NOW: Trouble = { kind: 'NOW' }

/** Takes a way out of a trouble: all of it, or nothing. */
export const useTaking = () =>
  useChange(
    ({ trouble, version, way }: { trouble: Trouble; version: number; way: Schemas['Taking'] }) =>
      data(api.POST('/api/course/ways-out/taken', { body: { trouble, version, way } })),
    'the-course',
    'outages',
    'calls',
    'range',
    'batches',
    'kitchen',
  )
