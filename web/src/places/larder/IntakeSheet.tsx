import { useState, type FormEvent } from 'react'
import { api, data, newId } from '../../api/client'
import { keepSlip, useGoods } from '../../api/larder'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Choice } from '../../kit/Choice'
import { useDraft } from '../../kit/draft'
import { DayField } from '../../kit/MomentField'
import { Refused } from '../../kit/Note'
import { NumberField } from '../../kit/NumberField'
import { PhotoButton, PhotoRefused } from '../../kit/PhotoButton'
import { SelectField } from '../../kit/SelectField'
import { useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { SmallNumber } from '../../kit/SmallNumber'
import { TextField } from '../../kit/TextField'
import { dayOf } from '../../words/time'

/** Something comes in at the door; or the kitchen's own clean trim goes into the freezer. */
export function IntakeSheet({ trim, onClose }: { trim: boolean; onClose: () => void }) {
  const goods = useGoods()
  const units = useUnits()
  const { now, zone } = useTimes()
  const today = dayOf(now, zone)
  const [typed, setTyped, forget] = useDraft(trim ? 'trim' : 'intake', () => ({
    id: newId(),
    goods: trim ? 'onion' : 'chicken-carcass',
    kg: undefined as number | undefined,
    cameOn: today,
    useBy: undefined as string | undefined,
    frozen: 'fresh' as 'fresh' | 'frozen',
    thickCm: undefined as number | undefined,
    doorC: undefined as number | undefined,
    supplier: '',
    supplierLot: '',
    pricePerKg: undefined as number | undefined,
    note: '',
  }))
  const change = (next: Partial<typeof typed>) => setTyped({ ...typed, ...next })
  const offered = (goods.data ?? []).filter((one) => !trim || !one.bed)
  const chosen = goods.data?.find((one) => one.id === typed.goods)
  const raw = chosen?.raw ?? false
  const takeIn = useChange(
    () => {
      const { id, kg, cameOn, supplier, supplierLot, note } = typed
      const base = { id, goods: typed.goods, kg: kg ?? 0, cameOn, note }
      const body = trim
        ? { ...base, trim: true }
        : {
            ...base,
            supplier,
            supplierLot,
            useBy: typed.useBy,
            pricePerKg: typed.pricePerKg,
            frozen: typed.frozen === 'frozen',
            ...(raw && { doorC: typed.doorC, ...(typed.frozen === 'frozen' && { thickCm: typed.thickCm }) }),
          }
      return data(api.POST('/api/larder/boxes', { body }))
    },
    'larder',
    'provisions',
    'charge',
  )
  const fields = takeIn.error?.fields ?? {}
  const [slip, setSlip] = useState<File>()
  const keep = useChange((picture: File) => keepSlip(typed.id, picture), 'larder')
  const close = () => {
    forget()
    onClose()
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    takeIn.mutate(undefined, { onSuccess: () => (slip ? keep.mutate(slip, { onSuccess: close }) : close()) })
  }
  return (
    <Sheet
      title={trim ? 'Put trim by' : 'Take in'}
      open
      onClose={onClose}
      describedBy={
        trim
          ? 'Clean, weighed, dated. Leave the peel of anything bitter out.'
          : 'Weighed and read at the door.'
      }
    >
      <form onSubmit={submit} className="grid gap-5">
        <SelectField
          label="What"
          value={typed.goods}
          onValue={(next) => change({ goods: next })}
          options={offered.map((one) => ({ value: one.id, name: one.name }))}
        />
        <NumberField
          label="Weight, without its box"
          dimension="kg"
          units={units.units}
          value={typed.kg}
          onValue={(kg) => change({ kg })}
          problem={fields.kg}
        />
        {raw && !trim && (
          <NumberField
            label="Temperature at the door"
            dimension="celsius"
            units={units.units}
            step={1}
            value={typed.doorC}
            onValue={(doorC) => change({ doorC })}
            problem={fields.doorC}
          />
        )}
        {!trim && (
          <>
            <Choice
              label="How it lies"
              value={typed.frozen}
              onValue={(frozen) => change({ frozen })}
              options={[
                { value: 'fresh', name: 'Fresh or dry' },
                { value: 'frozen', name: 'Frozen' },
              ]}
            />
            {raw && typed.frozen === 'frozen' && (
              <NumberField
                label="How thick it lies: it thaws by that"
                dimension="cm"
                units={units.units}
                step={1}
                value={typed.thickCm}
                onValue={(thickCm) => change({ thickCm })}
                problem={fields.thickCm}
              />
            )}
            <DayField
              label={raw ? 'Use by' : 'Use by, if it does not keep'}
              direction="ahead"
              value={typed.useBy ?? ''}
              onValue={(day) => change({ useBy: day || undefined })}
              problem={fields.useBy}
            />
            <TextField
              label="From whom"
              value={typed.supplier}
              onValue={(supplier) => change({ supplier })}
              maxLength={80}
            />
            <TextField
              label="Their lot"
              value={typed.supplierLot}
              onValue={(supplierLot) => change({ supplierLot })}
              hint="As on the slip: it is found again by this"
              maxLength={60}
            />
            <div className="flex flex-wrap items-center gap-3">
              <PhotoButton
                label="Photo of the slip"
                words={slip ? 'Another photo of it' : 'Photograph the slip'}
                onPicture={setSlip}
              />
              {slip && <span className="text-15 text-quiet">It is kept with the box once that is in.</span>}
            </div>
            <SmallNumber
              label="Price per kg"
              shown
              value={typed.pricePerKg}
              onValue={(pricePerKg) => change({ pricePerKg })}
              problem={fields.pricePerKg?.reason}
            />
          </>
        )}
        {trim && (
          <DayField
            label="Trimmed on"
            value={typed.cameOn}
            onValue={(cameOn) => change({ cameOn })}
            problem={fields.cameOn}
          />
        )}
        <Refused problem={takeIn.error} />
        {keep.error ? (
          <>
            <p className="text-18 m-0">The box is in. Its slip is not kept yet.</p>
            <PhotoRefused problem={keep.error} />
            <Button type="submit" tone="act" large>
              Keep the photo
            </Button>
            <Button type="button" onClick={close}>
              Without a photo
            </Button>
          </>
        ) : (
          <Button
            type="submit"
            tone="act"
            large
            disabled={takeIn.isPending || keep.isPending || typed.kg === undefined}
          >
            {trim ? 'Put it in the freezer' : 'Take it in'}
          </Button>
        )}
      </form>
    </Sheet>
  )
}
