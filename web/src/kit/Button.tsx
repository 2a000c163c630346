import type { ButtonHTMLAttributes, Ref } from 'react'

type Tone = 'act' | 'due' | 'plain' | 'quiet'

const tones: Record<Tone, string> = {
  act: 'bg-river text-on-river border-river',
  due: 'bg-ember text-on-river border-ember',
  plain: 'bg-raised text-ink border-ink',
  quiet: 'bg-transparent text-river border-transparent underline underline-offset-4',
}

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  tone?: Tone
  /** For wet hands: at least 64 px. */
  large?: boolean
  ref?: Ref<HTMLButtonElement>
}

export function Button({ tone = 'plain', large, className = '', ...rest }: Props) {
  return (
    <button
      type="button"
      {...rest}
      className={`inline-flex items-center justify-center gap-2 rounded-md border-2 px-4 text-center font-semibold disabled:opacity-50 ${large ? 'text-18 min-h-[64px]' : 'text-15 min-h-[48px]'} ${tones[tone]} ${className}`}
    />
  )
}
