import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'
import { X } from './icons'
import { useBack } from './back'

interface Props {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  describedBy?: string
}

/** A sheet over the work: rises from below on a phone, stands at the side elsewhere, so that the pot stays in view. */
export function Sheet({ title, open, onClose, children, describedBy }: Props) {
  useBack(open, onClose)
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="bg-ink/25 fixed inset-0 z-20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="border-river bg-surface fixed inset-x-0 bottom-0 z-30 max-h-[92dvh] overflow-y-auto border-t-4 p-4 md:inset-y-0 md:right-0 md:left-auto md:max-h-none md:w-[420px] md:border-t-0 md:border-l-4 md:p-6"
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Dialog.Title className="text-24 m-0 font-bold">{title}</Dialog.Title>
            <Dialog.Close aria-label="Close" className="grid size-12 shrink-0 place-items-center">
              <X />
            </Dialog.Close>
          </div>
          {describedBy && <p className="text-15 text-quiet mt-0 mb-4">{describedBy}</p>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
