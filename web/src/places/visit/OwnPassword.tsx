import type { Session } from '../../api/queries'
import { PasswordForm } from '../../kit/PasswordSheet'
import { Wordmark } from '../../kit/Shell'

/** Whoever has come with a password that somebody else has set chooses their own before anything else. */
export function OwnPassword({ session }: { session: Session }) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-[480px] content-center gap-4 px-4 py-8">
      <h1 className="text-36 m-0 font-bold">
        <Wordmark />
      </h1>
      <p className="text-24 m-0 font-bold">{session.person?.name}, choose your own password</p>
      <p className="text-18 text-quiet m-0">
        {session.passwordSetBy ?? 'Somebody else'} has set the one that you came with. It was for this once:
        what you log from now on is yours alone.
      </p>
      <PasswordForm />
    </main>
  )
}
