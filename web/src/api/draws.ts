import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from './client'

export type Source = Schemas['SourceView']

/** What a pot may be drawn with: strained and not put away, and lots, first what has to go first. */
export const useSources = (enabled = true) =>
  useQuery({ queryKey: ['sources'], queryFn: () => data(api.GET('/api/sources')), enabled })
