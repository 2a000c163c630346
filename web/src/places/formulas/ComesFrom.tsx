import { useBoxes } from '../../api/larder'
import { SelectField } from '../../kit/SelectField'
import { useUnits } from '../../kit/session'
import { containsWords } from '../../words/en'
import { plainDay } from '../../words/time'
import type { Choosing } from './wish'

const BED = 'bed'

/** A bed that came out of another pot: out of which one, for what was in that stock is in this. */
export function ComesFrom({ charge, wish, onWish }: Choosing) {
  const units = useUnits()
  const kinds = charge.bed.filter((share) => share.leftOver).map((share) => share.kind)
  const boxes = useBoxes(kinds.length > 0)
  if (kinds.length === 0) return null
  const there = (boxes.data?.pages.flat() ?? []).filter((box) => box.of && kinds.includes(box.goods))
  const chosen = wish.brought[BED] ?? ''
  const it = there.find((box) => box.id === chosen)
  const set = (box: string) => {
    const others = Object.fromEntries(Object.entries(wish.brought).filter(([part]) => part !== BED))
    const of = there.find((one) => one.id === box)
    onWish({
      ...wish,
      brought: box ? { ...others, [BED]: box } : others,
      ...(of && { goal: 'BED', value: Math.round(of.leftKg * 1000) / 1000 }),
    })
  }
  return (
    <div className="grid min-w-0 gap-2">
      <SelectField
        label="Out of which pot"
        value={chosen}
        onValue={set}
        options={[
          { value: '', name: 'Not known yet' },
          ...there.map((box) => ({
            value: box.id,
            name: `${box.of!.formulaName}, batch ${box.of!.batchNumber}`,
          })),
        ]}
      />
      <p className="text-15 text-quiet m-0">
        {chosen
          ? `${it ? `${units.kg(it.leftKg)} of it${it.useBy ? `, by ${plainDay(it.useBy)}` : ''}. ` : ''}The whole ${containsWords(charge)}.`
          : there.length > 0
            ? 'Until it is known nobody knows what is in it, and no station gets it that asked for something to be left out.'
            : 'None is kept. After a stock is strained, what is left of it is weighed on its page and kept from there.'}
      </p>
    </div>
  )
}
