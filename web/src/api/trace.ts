import { useQuery } from '@tanstack/react-query'
import { api, data, type Schemas } from './client'

export type Trace = Schemas['TraceView']

/** Everything that hangs together with something that has a number on its label. */
export const useTrace = (what: string) =>
  useQuery({
    queryKey: ['trace', what],
    queryFn: () => data(api.GET('/api/trace', { params: { query: { what } } })),
    enabled: what !== '',
  })
