import { useState } from 'react'
import { Link } from 'react-router'
import type { Schemas } from '../../api/client'
import { act } from '../../api/outbox'
import { useShelf, type Page } from '../../api/queries'
import { Balance, type Weight } from '../../graphics/Balance'
import { Button } from '../../kit/Button'
import { Heading, Note } from '../../kit/Note'
import { used } from '../../kit/rest'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { leftoverName, massName } from '../../words/en'
import { useSend } from './useSend'
import { WeightField } from './WeightField'
import { happened, WhenField } from './WhenField'

type Left = NonNullable<Page['left']>
type Offer = Left['offers'][number]

const word: Record<Offer['as'], Schemas['Act']['leftOver']> = {
  SECOND_WETTING: 'second-wetting',
  SECOND_STEEP: 'second-steep',
  PICKED_MEAT: 'picked-meat',
  FAT: 'fat',
  RELISH: 'relish',
  PUREE: 'puree',
  COMPOST: 'compost',
}

/** Nobody foretells wet bones to the gram. */
const about = (kg: number) => Math.round(kg * 10) / 10

/** What can be made of what a stock was strained off, and until when. */
export function BatchLeft({ page }: { page: Page }) {
  const [asked, setAsked] = useState<Offer>()
  const { left } = page
  if (!left || left.offers.length === 0) return null
  return (
    <section className="mt-6">
      <Heading>What is left</Heading>
      <ul className="m-0 list-none p-0">
        {left.offers.map((offer) => (
          <OfferRow key={offer.as} left={left} offer={offer} onWeigh={() => setAsked(offer)} />
        ))}
      </ul>
      {asked && <LeftSheet page={page} offer={asked} onClose={() => setAsked(undefined)} />}
    </section>
  )
}

/** Beside the litres: what went in by weight, and what came of it. */
export function Kilograms({ page, colour }: { page: Page; colour: string }) {
  const units = useUnits()
  const { left } = page
  if (!left) return null
  const into: Weight[] = left.in.map((one) => ({
    name: massName[one.cause],
    kg: one.kg,
    tone: one.cause === 'LIQUOR' ? 'var(--water)' : 'var(--steel)',
  }))
  const outOf: Weight[] = [
    ...left.out.map((one) => ({
      name: massName[one.cause],
      kg: one.kg,
      tone: one.cause === 'STOCK' ? colour : one.cause === 'UNEXPLAINED' ? 'var(--ember)' : undefined,
    })),
    ...left.offers
      .filter((offer) => offer.weighedKg > 0)
      .map((offer) => ({
        name: leftoverName[offer.as],
        kg: offer.weighedKg,
        weighed: true,
        tone: 'var(--steel)',
      })),
    { name: left.notWeighedKg > 0 ? 'Not weighed' : 'More than reckoned', kg: left.notWeighedKg, open: true },
  ]
  return (
    <section className="mt-8">
      <Heading aside="framed is weighed, hatched is not">Where every kilogram went</Heading>
      <Balance put={into} came={outOf} kg={(value) => units.kg(value)} />
    </section>
  )
}

function OfferRow({ left, offer, onWeigh }: { left: Left; offer: Offer; onWeigh: () => void }) {
  const may = useMay()
  const units = useUnits()
  const { now, time } = useTimes()
  const tooLate = offer.until !== undefined && new Date(offer.until).getTime() < now
  const kept = left.weighed.filter((one) => one.as === offer.as)
  return (
    <li className="border-rule grid grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 border-t py-2">
      <span>
        <b className={`text-18 font-semibold ${tooLate && kept.length === 0 ? 'text-quiet' : ''}`}>
          {leftoverName[offer.as]}
        </b>
        <span className="text-15 text-quiet block">
          {[
            offer.weighedKg === 0 && offer.aboutKg !== undefined && `about ${units.kg(about(offer.aboutKg))}`,
            offer.until !== undefined &&
              (tooLate ? 'it has stood for too long, and goes no further' : `until ${time(offer.until)}`),
          ]
            .filter(Boolean)
            .join(', ')}
        </span>
      </span>
      <span className="flex items-center gap-3">
        {offer.weighedKg > 0 && <b className="text-24 font-semibold">{units.kg(offer.weighedKg)}</b>}
        {may('ACT') && !tooLate && (
          <Button tone={offer.weighedKg > 0 ? 'quiet' : undefined} onClick={onWeigh}>
            {offer.weighedKg > 0 ? 'More' : 'Weigh it'}
          </Button>
        )}
      </span>
      {kept.map((one) => one.boxId && <Kept key={one.eventId} kept={one} />)}
    </li>
  )
}

/** Where it lies, and the stock that can be made of it. */
function Kept({ kept }: { kept: Left['weighed'][number] }) {
  const may = useMay()
  const shelf = useShelf()
  const made = (shelf.data ?? []).filter(
    (formula) => !formula.retired && kept.goods !== undefined && formula.bedKinds.includes(kept.goods),
  )
  return (
    <span className="text-15 col-span-2 flex flex-wrap gap-x-5">
      <Link to={`/larder/${kept.boxId}`} className="flex min-h-[44px] items-center">
        Its box in the larder
      </Link>
      {may('PLAN') &&
        made.map((formula) => (
          <Link
            key={formula.slug}
            to={`/formulas/${formula.slug}?goal=BED&value=${kept.kg}&brought=bed:${kept.boxId}&start=now`}
            className="flex min-h-[44px] items-center font-semibold"
          >
            {formula.name} of it
          </Link>
        ))}
    </span>
  )
}

function LeftSheet({ page, offer, onClose }: { page: Page; offer: Offer; onClose: () => void }) {
  const units = useUnits()
  const { now } = useTimes()
  const [kg, setKg] = useState<number>()
  const [ago, setAgo] = useState(0)
  const { problem, busy, send } = useSend(page.card.id, () => {
    used()
    onClose()
  })
  const name = leftoverName[offer.as]
  const goesOn = offer.as !== 'COMPOST'
  return (
    <Sheet title={name} open onClose={onClose}>
      <form
        className="grid gap-5"
        onSubmit={(event) => {
          event.preventDefault()
          if (kg === undefined) return
          void send(
            act('left-over', {
              leftOver: word[offer.as],
              kg,
              ...happened(ago, now),
            }),
          )
        }}
      >
        {offer.aboutKg !== undefined && (
          <p className="text-18 m-0">
            There should be about <b className="font-semibold">{units.kg(about(offer.aboutKg))}</b>, wet.
          </p>
        )}
        <WeightField
          label="On the scale"
          value={kg}
          onValue={setKg}
          units={units.units}
          problem={problem?.fields.kg}
        />
        {goesOn && (
          <p className="text-15 text-quiet m-0">
            It lies in the larder from here on, with what was in this stock.
          </p>
        )}
        <WhenField minutes={ago} onMinutes={setAgo} />
        {problem && !problem.fields.kg && <Note>{problem.message}.</Note>}
        <Button type="submit" tone="act" large disabled={busy || kg === undefined || kg <= 0}>
          {busy
            ? 'Logging …'
            : kg === undefined || kg <= 0
              ? 'Put it on the scale'
              : `${goesOn ? 'Keep' : 'Throw away'} ${units.kg(kg)}`}
        </Button>
      </form>
    </Sheet>
  )
}
