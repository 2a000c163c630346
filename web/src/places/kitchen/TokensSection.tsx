import { useState } from 'react'
import { api, data } from '../../api/client'
import { useChange, useTokens } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Heading, ToldOnce } from '../../kit/Note'
import { useTimes } from '../../kit/session'
import { TextField } from '../../kit/TextField'

/** Tokens with which other programs calculate. */
export function TokensSection() {
  const tokens = useTokens(true)
  const { day } = useTimes()
  const [name, setName] = useState('')
  const [told, setTold] = useState<string>()
  const make = useChange(() => data(api.POST('/api/tokens', { body: { name } })), 'tokens')
  const revoke = useChange(
    (id: string) => api.POST('/api/tokens/{id}/revocation', { params: { path: { id } } }),
    'tokens',
  )
  return (
    <section className="mt-8 max-w-[720px]">
      <Heading aside={<a href="/api/openapi.json">the calculations as OpenAPI</a>}>
        Tokens for other programs
      </Heading>
      <p className="text-15 text-quiet mt-0">
        A program that sends a token may calculate charges, simmers, coolings, cuts and conversions, and
        nothing else.
      </p>
      <ul className="m-0 list-none p-0">
        {(tokens.data ?? []).map((token) => (
          <li
            key={token.id}
            className="border-rule text-15 flex min-h-[48px] flex-wrap items-center justify-between gap-x-6 border-t"
          >
            <b className={`font-semibold ${token.revokedAt ? 'text-quiet line-through' : ''}`}>
              {token.name}
            </b>
            <span className="text-quiet">
              {token.revokedAt
                ? `revoked ${day(token.revokedAt)}`
                : token.usedAt
                  ? `last used ${day(token.usedAt)}`
                  : 'not used yet'}
            </span>
            {!token.revokedAt && (
              <Button tone="quiet" onClick={() => revoke.mutate(token.id)}>
                Revoke
              </Button>
            )}
          </li>
        ))}
      </ul>
      <form
        className="mt-3 grid items-end gap-3 md:grid-cols-[1fr_auto]"
        onSubmit={(event) => {
          event.preventDefault()
          make.mutate(undefined, {
            onSuccess: (made) => {
              setTold(made.token)
              setName('')
            },
          })
        }}
      >
        <TextField
          label="What it is for"
          value={name}
          onValue={setName}
          problem={make.error?.fields.name}
          maxLength={60}
        />
        <Button type="submit" disabled={!name.trim() || make.isPending}>
          Make a token
        </Button>
      </form>
      {told && <ToldOnce what="Copy it now; it is not shown again." lines={[told]} />}
    </section>
  )
}
