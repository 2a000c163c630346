import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Page } from '../../api/queries'
import { act } from '../../api/outbox'
import { Button } from '../../kit/Button'
import { Heading, Note } from '../../kit/Note'
import { useMay, useTimes, useUnits } from '../../kit/session'
import { Sheet } from '../../kit/Sheet'
import { askedName, costName, eventName } from '../../words/en'
import { fromNow } from '../../words/time'
import { ActButton, amountWords } from './ActButton'
import {
  dueKey,
  dueWords,
  logAll,
  moves,
  movesBy,
  usual,
  type Due,
  type ProposedName,
  type SheetName,
} from './acts'
import { IntoAnotherPot } from '../draws/IntoAnotherPot'
import { Deliver } from './Deliver'
import { used, useResting } from '../../kit/rest'
import { StandsOn } from './StandsOn'
import { useOver } from '../../kit/over'
import { useSend } from './useSend'

/** What is next, what comes after, and what may be logged at any time. */
export function BatchActs({
  page,
  colour,
  onAsk,
}: {
  page: Page
  colour: string
  onAsk: (kind: SheetName) => void
}) {
  const may = useMay()
  const { now } = useTimes()
  const { card } = page
  const [next, ...later] = card.due
  const onShelf = page.storedL > 0
  const givenUp = card.stage === 'ABANDONED'
  return (
    <section aria-label="Acts">
      <Heading aside={next && new Date(next.lateAt).getTime() < now ? costName[next.cost] : undefined}>
        Next
      </Heading>
      {next && <ActButton key={dueKey(next)} card={card} due={next} now={now} roomy />}
      {onShelf && <Deliver page={page} />}
      {page.restL > 0 && (
        <div className="mt-3 flex flex-wrap gap-2">
          <IntoAnotherPot source={card.id} litres={page.restL} colour={colour} />
          {page.restHot && !onShelf && may('DELIVER') && <HotToAStation page={page} />}
        </div>
      )}
      {!next && !onShelf && <p className="text-18 text-quiet m-0">Nothing is left to do here.</p>}
      {later.length > 0 && (
        <ol className="m-0 mt-4 grid list-none p-0">
          {later.map((due) => (
            <Later key={dueKey(due)} page={page} due={due} now={now} onAsk={onAsk} />
          ))}
        </ol>
      )}
      {may('ACT') && card.pot.filled && card.strainedL === undefined && !givenUp && (
        <div className="mt-5 flex flex-wrap gap-2">
          <Button onClick={() => onAsk('level-read')}>Level</Button>
          <Button onClick={() => onAsk('temperature-read')}>Temperature</Button>
          <Button onClick={() => onAsk('skimmed')}>Skimmed</Button>
          <Button onClick={() => onAsk('topped-up')}>Water in</Button>
          <Button onClick={() => onAsk('tasted')}>Taste</Button>
          <Button onClick={() => onAsk('card:SET')}>Set</Button>
          <Button onClick={() => onAsk('card:LADLE')}>Ladle</Button>
          <Button onClick={() => onAsk('brix-read')}>°Bx</Button>
          {card.stage === 'SIMMER' && may('JUDGE') && (
            <Button onClick={() => onAsk('judged-enough')}>Judge</Button>
          )}
        </div>
      )}
      {may('ACT') && !givenUp && <Mishaps page={page} onAsk={onAsk} />}
      <StandsOn page={page} />
      {may('JUDGE') && card.strainedL === undefined && !givenUp && <GiveUp page={page} />}
    </section>
  )
}

/** What is wanted hot goes straight from the strainer to the station. */
function HotToAStation({ page }: { page: Page }) {
  const [asked, setAsked] = useState(false)
  return (
    <>
      <Button onClick={() => setAsked(true)}>Hot to a station</Button>
      <Sheet title="Hot to a station" open={asked} onClose={() => setAsked(false)}>
        <Deliver page={page} lot="rest" onDone={() => setAsked(false)} />
      </Sheet>
    </>
  )
}

function Later({
  page,
  due,
  now,
  onAsk,
}: {
  page: Page
  due: Due
  now: number
  onAsk: (kind: SheetName) => void
}) {
  const may = useMay()
  const units = useUnits()
  const { time } = useTimes()
  const late = new Date(due.lateAt).getTime() < now
  const rests = useResting()
  const tap = () => {
    if (due.asks || moves(due) > 0) onAsk(movesBy(due))
    else {
      used()
      void logAll(page.card.id, usual(due))
    }
  }
  return (
    <li className="border-rule flex min-h-[56px] items-center gap-3 border-b">
      <span className={`text-15 w-[4.8rem] shrink-0 ${late ? 'text-ember font-semibold' : 'text-quiet'}`}>
        {time(due.due)}
      </span>
      <span className="text-18 flex-1">
        {dueWords(due)} <span className="text-15">{amountWords(due, units)}</span>
        {due.parts.length > 0 && ['ADD', 'BEGIN', 'END'].includes(due.kind) && (
          <span className="text-13 text-quiet block">
            {due.parts.map((part) => `${part.name.toLowerCase()} ${units.kg(part.kg)}`).join(', ')}
          </span>
        )}
      </span>
      <span className="text-15 text-quiet whitespace-nowrap">{fromNow(due.due, now)}</span>
      {may('ACT') && (due.kind !== 'JUDGE' || may('JUDGE')) && (
        <Button aria-label={`${dueWords(due)}: log now`} disabled={rests} onClick={tap}>
          Log
        </Button>
      )}
    </li>
  )
}

/** What happens in kitchens and in no plan; some of it asks how much. */
function Mishaps({ page, onAsk }: { page: Page; onAsk: (kind: SheetName) => void }) {
  const { trigger, over } = useOver()
  const { card } = page
  const onTheHeat = ['BRING_UP', 'SIMMER'].includes(card.stage)
  const inThePot = card.pot.filled && card.strainedL === undefined
  const could: ProposedName[] = [
    ...(onTheHeat ? (['boiled-over', 'turned-down'] as const) : []),
    ...(inThePot ? ([card.pot.lidOn ? 'lid-off' : 'lid-on'] as const) : []),
    ...(!card.pot.filled && page.weighedKg['bed'] && card.oven ? (['picked-out'] as const) : []),
    ...(card.pot.filled && page.storedL === 0 ? (['salted'] as const) : []),
    ...(card.strainedL !== undefined && page.storedL === 0 ? (['dropped', 'wrong-pan'] as const) : []),
  ]
  if (could.length === 0) return null
  const happened = (kind: ProposedName) => {
    if (askedName(kind)) onAsk(kind)
    else {
      used()
      void logAll(card.id, [act(kind)])
    }
  }
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild ref={trigger}>
        <Button tone="quiet" className="mt-3 px-0!">
          Something happened
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={over}>
        <DropdownMenu.Content align="start" className="border-ink bg-raised z-40 min-w-[240px] border-2">
          {could.map((kind) => (
            <DropdownMenu.Item
              key={kind}
              className="text-15 data-[highlighted]:bg-sunken flex min-h-[48px] cursor-pointer items-center px-4 outline-none"
              onSelect={() => happened(kind)}
            >
              {eventName[kind]}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function GiveUp({ page }: { page: Page }) {
  const [asked, setAsked] = useState(false)
  const { problem, send } = useSend(page.card.id)
  if (!asked) {
    return (
      <p className="mt-4 mb-0">
        <Button tone="quiet" className="px-0!" onClick={() => setAsked(true)}>
          Give this batch up
        </Button>
      </p>
    )
  }
  return (
    <div className="mt-4 grid gap-2">
      <Note>
        The vessel is freed and the call waits for a plan again. The record stays.{' '}
        <Link to="/calls">See the calls</Link>
      </Note>
      <div className="flex gap-2">
        <Button onClick={() => void send(act('abandoned', { words: 'given up by the cook' }))}>
          Give it up
        </Button>
        <Button tone="quiet" onClick={() => setAsked(false)}>
          Keep it
        </Button>
      </div>
      {problem && <Note>{problem.message}.</Note>}
    </div>
  )
}
