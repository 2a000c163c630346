import { useQueryClient } from '@tanstack/react-query'
import { useState, type FormEvent } from 'react'
import { api, data, type Problem } from '../../api/client'
import { useChange, type Session } from '../../api/queries'
import { setServerTime } from '../../api/clock'
import { forgetSeen } from '../../offline/seen'
import { Button } from '../../kit/Button'
import { FieldNote } from '../../kit/NumberField'
import { Wordmark } from '../../kit/Shell'
import { TextField } from '../../kit/TextField'

export function SignIn({ session }: { session: Session }) {
  const client = useQueryClient()
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const signIn = useChange(async (who: { signIn: string; password: string }) => {
    const visit = await data(api.POST('/api/session', { body: who }))
    // What somebody else saw here is not for whoever comes next.
    await forgetSeen()
    setServerTime(visit.now)
    // An answer from before, still on its way, would say again that nobody is here.
    await client.cancelQueries({ queryKey: ['session'] })
    client.setQueryData(['session'], visit)
  })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    signIn.mutate({ signIn: name, password })
  }
  const problem: Problem | null = signIn.error
  return (
    <main className="mx-auto grid min-h-dvh max-w-[960px] content-center gap-x-16 gap-y-8 px-4 py-8 md:grid-cols-[1fr_1fr]">
      <div>
        <h1 className="text-36 m-0 mb-2 font-bold">
          <Wordmark />
        </h1>
        <p className="text-18 text-quiet mt-0 mb-6 max-w-[36ch]">
          From the litres a station wants, through the pot, to the litres it gets.
        </p>
        <form onSubmit={submit} className="grid max-w-[360px] gap-4">
          <TextField label="Sign-in name" value={name} onValue={setName} autoComplete="username" autoFocus />
          <TextField
            label="Password"
            type="password"
            value={password}
            onValue={setPassword}
            autoComplete="current-password"
          />
          {problem && (
            <FieldNote
              problem={{ reason: problem.fields.password?.reason ?? problem.message.replace(/\.$/, '') }}
              units="metric"
            />
          )}
          <Button type="submit" tone="act" large disabled={signIn.isPending || !name || !password}>
            {signIn.isPending ? 'Signing in …' : 'Sign in'}
          </Button>
        </form>
      </div>
      {session.demo.length > 0 && (
        <section className="ruled content-start border-l-0 md:pl-8">
          <h2 className="text-18 m-0 mb-1 font-bold">Demo kitchen</h2>
          <p className="text-15 text-quiet mt-0 mb-3">
            Everybody here is made up. Choose who you are; the name and password are filled in.
          </p>
          <ul className="m-0 grid list-none p-0">
            {session.demo.map((who) => (
              <li key={who.signIn} className="border-rule border-b">
                <button
                  className="flex min-h-[52px] w-full items-center justify-between gap-4 text-left"
                  onClick={() => signIn.mutate({ signIn: who.signIn, password: who.password })}
                >
                  <span>
                    <b className="font-semibold">{who.name}</b>
                    <span className="text-quiet">, {who.does}</span>
                  </span>
                  <span className="text-13 text-quiet">{who.password}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  )
}
