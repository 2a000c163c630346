import { useQueryClient } from '@tanstack/react-query'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { api, data } from '../api/client'
import { forgetSeen } from '../offline/seen'
import { Moon, Sun } from './icons'
import { OwnPasswordSheet } from './PasswordSheet'
import { OwnPinSheet, ShareSheet } from './PinSheets'
import { setWatch, useNight } from './screen'
import { useVisit } from './session'
import { useBecome, useStepBack } from './signing'
import { useOver } from './over'

/** Who is here, and what they may set for themselves. */
export function PersonMenu({ onKeys }: { onKeys: () => void }) {
  const { person, kitchen, shared } = useVisit()
  const [sheet, setSheet] = useState<'pin' | 'share' | 'password'>()
  const nobody = person.signature === 'NOBODY'
  const become = useBecome()
  const stepBack = useStepBack()
  const client = useQueryClient()
  const night = useNight()
  const units = async () => {
    become(
      await data(
        api.PUT('/api/session/units', { body: { units: person.units === 'metric' ? 'us' : 'metric' } }),
      ),
    )
  }
  const signOut = async () => {
    await api.DELETE('/api/session')
    await forgetSeen()
    client.clear()
    window.location.assign('/sign-in')
  }
  const item =
    'flex min-h-[48px] items-center px-4 text-15 outline-none data-[highlighted]:bg-sunken cursor-pointer'
  const { trigger, over } = useOver()
  return (
    <div className="flex items-center">
      <button
        onClick={() => setWatch(!night)}
        className="grid size-12 place-items-center"
        aria-label={night ? 'Day watch' : 'Night watch'}
      >
        {night ? <Sun /> : <Moon />}
      </button>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger
          ref={trigger}
          className="grid size-12 place-items-center font-semibold"
          aria-label={nobody ? `Shared tablet, ${kitchen}` : `${person.name}, ${kitchen}`}
        >
          <span className="border-ink grid size-9 place-items-center rounded-md border-2">
            {nobody ? '…' : person.initials}
          </span>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal container={over}>
          <DropdownMenu.Content align="end" className="border-ink bg-raised z-40 min-w-[220px] border-2">
            <DropdownMenu.Label className="border-rule text-15 border-b px-4 py-3">
              <b className="font-semibold">{nobody ? 'Nobody has signed' : person.name}</b>
              <br />
              <span className="text-quiet">{kitchen}</span>
            </DropdownMenu.Label>
            <DropdownMenu.Item className={item} onSelect={() => void units()}>
              {person.units === 'metric' ? 'Show gallons, pounds, °F' : 'Show litres, kilograms, °C'}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={onKeys}>
              Keys
            </DropdownMenu.Item>
            {person.signature === 'PASSWORD' && (
              <>
                <DropdownMenu.Item className={item} onSelect={() => setSheet('password')}>
                  Change your password
                </DropdownMenu.Item>
                {person.rights.includes('ACT') && (
                  <DropdownMenu.Item className={item} onSelect={() => setSheet('pin')}>
                    Set your PIN
                  </DropdownMenu.Item>
                )}
                {!shared && person.rights.includes('SET_UP') && (
                  <DropdownMenu.Item className={item} onSelect={() => setSheet('share')}>
                    Share this tablet
                  </DropdownMenu.Item>
                )}
              </>
            )}
            {person.signature === 'PIN' && (
              <DropdownMenu.Item className={item} onSelect={() => void stepBack()}>
                Step back
              </DropdownMenu.Item>
            )}
            <DropdownMenu.Item className={item} onSelect={() => void signOut()}>
              {shared ? 'Sign this tablet out' : 'Sign out'}
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {sheet === 'pin' && <OwnPinSheet onClose={() => setSheet(undefined)} />}
      {sheet === 'password' && <OwnPasswordSheet onClose={() => setSheet(undefined)} />}
      {sheet === 'share' && <ShareSheet onClose={() => setSheet(undefined)} />}
    </div>
  )
}
