import { useState } from 'react'
import { useSigners, type Signer } from '../api/queries'
import { SignSheet } from './PinSheets'
import { useVisit } from './session'
import { useWalkedAway } from './signing'

/** On a tablet that several share: who is at work. One tap and a PIN, and what is logged is theirs. */
export function SignBar() {
  const { person, shared } = useVisit()
  const [hand, setHand] = useState<Signer>()
  const hands = useSigners(shared === true)
  useWalkedAway()
  if (!shared) return null
  const nobody = person.signature === 'NOBODY'
  return (
    <aside
      aria-label="Who is at work"
      className="border-ink bg-raised flex items-center gap-3 overflow-x-auto border-t-2 px-4 py-2 md:px-6"
    >
      <span className={`text-15 shrink-0 font-semibold ${nobody ? 'text-ember' : ''}`}>
        {nobody ? 'Who is at work?' : 'At work'}
      </span>
      {hands.data?.map((one) => {
        const here = !nobody && one.id === person.id
        return (
          <button
            key={one.id}
            aria-pressed={here}
            aria-label={`${one.initials}, ${one.name}`}
            onClick={() => !here && setHand(one)}
            className={`text-18 min-h-[56px] min-w-[64px] shrink-0 rounded-md border-2 px-3 font-semibold ${here ? 'border-river bg-river text-on-river' : 'border-ink bg-raised text-ink'}`}
          >
            {one.initials}
          </button>
        )
      })}
      {hands.data?.length === 0 && (
        <span className="text-15 text-quiet">
          Nobody has a PIN yet. Set yours where you are signed in with your password.
        </span>
      )}
      {hand && <SignSheet hand={hand} onClose={() => setHand(undefined)} />}
    </aside>
  )
}
