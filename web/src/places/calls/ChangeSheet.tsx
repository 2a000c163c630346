import { useState } from 'react'
import { api, data } from '../../api/client'
import { useChange, useWaysOut, type Call } from '../../api/queries'
import { Button } from '../../kit/Button'
import { MomentField } from '../../kit/MomentField'
import { Refused } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { useMay, useTimes, useUnits, useVisit } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { instantOf, localOf } from '../../words/time'
import type { Trouble } from '../course/trouble'
import { WaysOut } from '../course/WaysOut'

/** More or less, sooner or later: whoever plans sees what that does before it is asked. */
export function ChangeSheet({ call, onClose }: { call: Call; onClose: () => void }) {
  const { zone } = useVisit()
  const units = useUnits()
  const may = useMay()
  const { day } = useTimes()
  const [litres, setLitres] = useState<number | undefined>(call.litres)
  const [readyBy, setReadyBy] = useState(() => localOf(new Date(call.readyBy).getTime(), zone))
  const at = instantOf(readyBy, zone).toISOString()
  const moved = litres !== call.litres || localOf(new Date(call.readyBy).getTime(), zone) !== readyBy
  const asked = { litres: litres ?? 0, readyBy: moved ? at : call.readyBy }
  const trouble: Trouble | undefined =
    may('PLAN') && moved && litres ? { kind: 'CALL', call: { callId: call.id, ...asked } } : undefined
  const looked = useWaysOut(trouble)
  const change = useChange(
    () => data(api.PUT('/api/calls/{id}', { params: { path: { id: call.id } }, body: asked })),
    'calls',
    'the-course',
  )
  const problem = change.error
  const ways = trouble && !looked.isError ? looked.data : undefined
  return (
    <Sheet title="Change the call" open onClose={onClose}>
      <div className="grid gap-5">
        <p className="text-18 m-0">
          {call.stationName} asked for {units.litres(call.litres)} of {call.formulaName.toLowerCase()} by{' '}
          {day(call.readyBy)}.
        </p>
        <NumberField
          label="How much, cold and strained"
          dimension="litres"
          units={units.units}
          value={litres}
          onValue={setLitres}
          step={1}
          problem={litres === undefined ? { reason: 'a number is needed here' } : problem?.fields.litres}
        />
        <MomentField
          label="Ready by"
          value={readyBy}
          onValue={setReadyBy}
          problem={problem?.fields.readyBy}
        />
        {trouble && looked.isFetching && <p className="text-18 text-quiet m-0">Looking what that does …</p>}
        {ways && !looked.isFetching && ways.ways.length > 0 && (
          <WaysOut
            looked={ways}
            trouble={trouble!}
            take="Change it so"
            busy={change.isPending}
            onTaken={onClose}
          />
        )}
        <Refused problem={problem} />
        <Button
          tone={ways && ways.ways.length > 0 ? 'plain' : 'act'}
          large
          disabled={!moved || litres === undefined || change.isPending}
          onClick={() => change.mutate(undefined, { onSuccess: onClose })}
        >
          {ways && ways.ways.length > 0 ? 'Change the call and move nothing' : 'Change it'}
        </Button>
      </div>
    </Sheet>
  )
}
