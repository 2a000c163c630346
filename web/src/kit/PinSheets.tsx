import { useEffect, useState } from 'react'
import { api, data, type Problem } from '../api/client'
import { useOutbox } from '../api/outbox'
import { useSession, type Signer } from '../api/queries'
import { Button } from './Button'
import { Note } from './Note'
import { FieldNote } from './NumberField'
import { Sheet } from './Sheet'
import { useBecome } from './signing'

const LONGEST = 8
const SHORTEST = 4

/** Signs at a shared tablet. */
export function SignSheet({ hand, onClose }: { hand: Signer; onClose: () => void }) {
  const become = useBecome()
  const { waiting } = useOutbox()
  const demo = useSession().data?.demo.find((one) => one.name === hand.name)
  const sign = async (pin: string) => {
    become(await data(api.POST('/api/session/signature', { body: { personId: hand.id, pin } })))
    onClose()
  }
  return (
    <Sheet title={hand.name} open onClose={onClose}>
      {waiting.length > 0 && (
        <div className="mb-4">
          <Note>
            {waiting.length === 1 ? 'One act' : `${waiting.length} acts`} of whoever was here before still{' '}
            {waiting.length === 1 ? 'waits' : 'wait'} to be sent, and will wait for them.
          </Note>
        </div>
      )}
      <PinPad does="Sign" onPin={sign} />
      {demo?.pin && <p className="text-15 text-quiet mt-4">In the demo kitchen the PIN is {demo.pin}.</p>}
    </Sheet>
  )
}

export function OwnPinSheet({ onClose }: { onClose: () => void }) {
  const [done, setDone] = useState(false)
  const set = async (pin: string) => {
    await data(api.PUT('/api/session/own-pin', { body: { pin } }))
    setDone(true)
  }
  return (
    <Sheet title="Your PIN" open onClose={onClose}>
      {done ? (
        <div className="grid gap-4">
          <p className="text-18 m-0">It is set. It signs for you at every tablet that this kitchen shares.</p>
          <Button large onClick={onClose}>
            Good
          </Button>
        </div>
      ) : (
        <>
          <p className="text-15 text-quiet mt-0">
            Four to eight digits. It signs for what you do at the pots, on a tablet that is shared; it opens
            nothing else.
          </p>
          <PinPad does="Set it" onPin={set} />
        </>
      )}
    </Sheet>
  )
}

export function ShareSheet({ onClose }: { onClose: () => void }) {
  const become = useBecome()
  const [problem, setProblem] = useState<Problem>()
  const share = async () => {
    try {
      become(await data(api.POST('/api/session/shared')))
      onClose()
    } catch (error) {
      setProblem(error as Problem)
    }
  }
  return (
    <Sheet title="Share this tablet" open onClose={onClose}>
      <div className="grid gap-4">
        <p className="text-18 m-0">
          It then shows the kitchen to whoever stands before it. To log anything, one taps one’s initials and
          signs with a PIN; each act carries its person. After two minutes untouched it asks again.
        </p>
        <p className="text-15 text-quiet m-0">It stays shared until it is signed out.</p>
        <Button tone="act" large onClick={() => void share()}>
          Share it
        </Button>
        {problem && <Note>{problem.message}.</Note>}
      </div>
    </Sheet>
  )
}

/** Digits for wet fingers; a keyboard’s work as well. */
function PinPad({ does, onPin }: { does: string; onPin: (pin: string) => Promise<void> }) {
  const [pin, setPin] = useState('')
  const [problem, setProblem] = useState<Problem>()
  const [busy, setBusy] = useState(false)
  const ready = pin.length >= SHORTEST && !busy
  const add = (digit: string) => {
    setProblem(undefined)
    setPin((before) => (before.length < LONGEST ? before + digit : before))
  }
  const send = async () => {
    if (!ready) return
    setBusy(true)
    try {
      await onPin(pin)
    } catch (error) {
      setProblem(error as Problem)
      setPin('')
    }
    setBusy(false)
  }
  useEffect(() => {
    const typed = (event: KeyboardEvent) => {
      if (/^\d$/.test(event.key)) add(event.key)
      else if (event.key === 'Backspace') setPin((before) => before.slice(0, -1))
      else if (event.key === 'Enter' && (event.target as HTMLElement).tagName !== 'BUTTON') void send()
      else return
      event.stopPropagation()
    }
    window.addEventListener('keydown', typed, true)
    return () => window.removeEventListener('keydown', typed, true)
  })
  return (
    <div className="grid gap-3">
      <p
        aria-live="polite"
        aria-label={`${pin.length} digits`}
        className="border-ink bg-sunken text-36 m-0 flex h-16 items-center justify-center gap-3 border-2"
      >
        {pin.length === 0 ? (
          <span className="text-15 text-quiet font-sans">PIN</span>
        ) : (
          '●'
            .repeat(pin.length)
            .split('')
            .map((dot, i) => <span key={i}>{dot}</span>)
        )}
      </p>
      {problem && (
        <FieldNote
          problem={{ reason: problem.fields.pin?.reason ?? problem.message.replace(/\.$/, '') }}
          units="metric"
        />
      )}
      <div className="grid grid-cols-3 gap-2">
        {['1', '2', '3', '4', '5', '6', '7', '8', '9'].map((digit) => (
          <Button key={digit} large className="text-24!" onClick={() => add(digit)}>
            {digit}
          </Button>
        ))}
        <Button
          large
          aria-label="Take one digit back"
          onClick={() => setPin((before) => before.slice(0, -1))}
        >
          ←
        </Button>
        <Button large className="text-24!" onClick={() => add('0')}>
          0
        </Button>
        <Button large tone="act" disabled={!ready} onClick={() => void send()}>
          {busy ? '…' : does}
        </Button>
      </div>
    </div>
  )
}
