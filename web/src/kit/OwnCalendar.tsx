import { useQuery } from '@tanstack/react-query'
import { api, data } from '../api/client'
import { useChange } from '../api/queries'
import { Button } from './Button'
import { Note, ToldOnce } from './Note'
import { useTimes } from './session'

/** An address of one's own, under which a calendar program reads what is planned. */
export function OwnCalendar() {
  const { day } = useTimes()
  const made = useQuery({ queryKey: ['calendar'], queryFn: () => data(api.GET('/api/course/calendar')) })
  const making = useChange(() => data(api.POST('/api/course/calendar')), 'calendar')
  const ending = useChange(() => data(api.DELETE('/api/course/calendar')), 'calendar')
  const since = made.data?.madeAt
  const problem = making.error ?? ending.error
  return (
    <div className="mt-3">
      <p className="text-15 text-quiet m-0 mb-2 max-w-[68ch]">
        {since
          ? `Your calendar program may read it since ${day(since)}. A new address ends the one from before.`
          : 'Whoever knows a secret address reads the coming week in a calendar program, without signing in.'}
      </p>
      <span className="flex flex-wrap gap-2">
        <Button disabled={making.isPending} onClick={() => making.mutate(undefined)}>
          {since ? 'A new address' : 'An address for a calendar'}
        </Button>
        {since && (
          <Button tone="quiet" disabled={ending.isPending} onClick={() => ending.mutate(undefined)}>
            End it
          </Button>
        )}
      </span>
      {making.data && since && (
        <ToldOnce
          what="Give this to your calendar program. It is told this once; whoever has it can read along."
          lines={[location.origin + making.data.path]}
        />
      )}
      {problem && <Note>{problem.message}</Note>}
    </div>
  )
}
