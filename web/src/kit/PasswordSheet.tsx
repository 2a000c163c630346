import { useState, type FormEvent } from 'react'
import { api, data } from '../api/client'
import { useChange } from '../api/queries'
import { Button } from './Button'
import { FieldNote } from './NumberField'
import { Sheet } from './Sheet'
import { useBecome } from './signing'
import { TextField } from './TextField'

/** One’s own password, chosen anew. */
export function OwnPasswordSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Your password" open onClose={onClose}>
      <p className="text-15 text-quiet mt-0 mb-4">
        Wherever else you are signed in, you are signed out by it, and your PIN ends: set it anew.
      </p>
      <PasswordForm onDone={onClose} />
    </Sheet>
  )
}

export function PasswordForm({ onDone }: { onDone?: () => void }) {
  const become = useBecome()
  const [soFar, setSoFar] = useState('')
  const [password, setPassword] = useState('')
  const choose = useChange(async () => {
    become(await data(api.PUT('/api/session/password', { body: { soFar, password } })))
    onDone?.()
  })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    choose.mutate(undefined)
  }
  const problem = choose.error
  const field = problem?.fields.soFar ?? problem?.fields.password
  return (
    <form onSubmit={submit} className="grid gap-4">
      <TextField
        label="Your password so far"
        type="password"
        value={soFar}
        onValue={setSoFar}
        autoComplete="current-password"
        autoFocus
      />
      <TextField
        label="Your new password"
        type="password"
        value={password}
        onValue={setPassword}
        autoComplete="new-password"
      />
      <p className="text-15 text-quiet m-0">
        Ten characters or more: three or four words that only you put together.
      </p>
      {problem && (
        <FieldNote problem={field ?? { reason: problem.message.replace(/\.$/, '') }} units="metric" />
      )}
      <Button type="submit" tone="act" large disabled={choose.isPending || !soFar || !password}>
        {choose.isPending ? 'Setting it …' : 'Set it'}
      </Button>
    </form>
  )
}
