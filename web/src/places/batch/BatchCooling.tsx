import type { Schemas } from '../../api/client'
import type { Formatters } from '../../words/units'
import type { Page } from '../../api/queries'
import { Wedge } from '../../graphics/Wedge'
import { Heading, Note } from '../../kit/Note'
import { useTimes, useUnits } from '../../kit/session'
import { WhyOf } from '../../kit/Why'
import { limitsNote, outcomeName, reasonWords, wayName } from '../../words/en'
import { duration } from '../../words/time'

const PROJECT_MIN = 8 * 60

/** Readings against the limits, where they lead, and the verdict in words. */
export function BatchCooling({ page }: { page: Page }) {
  const units = useUnits()
  const { now, clock, time } = useTimes()
  const cooling = page.card.cooling
  // A stock that stands off the heat is cooling before it is strained.
  const zero = Math.min(
    new Date(cooling.strainedAt ?? now).getTime(),
    ...cooling.readings.map((reading) => new Date(reading.at).getTime()),
  )
  const minute = (at: string | number) => (new Date(at).getTime() - zero) / 60_000
  const readings = cooling.readings.map((r) => ({ minute: minute(r.at), celsius: r.celsius }))
  const last = readings[readings.length - 1]
  const projection =
    last &&
    cooling.perMinute !== undefined &&
    cooling.mediumC !== undefined &&
    last.celsius > cooling.coldestC
      ? Array.from({ length: PROJECT_MIN / 10 }, (_, i) => ({
          minute: last.minute + i * 10,
          celsius:
            cooling.mediumC! + (last.celsius - cooling.mediumC!) * Math.exp(-cooling.perMinute! * i * 10),
        })).filter((p) => p.celsius > cooling.coldestC - 2)
      : []
  const fromMemory = page.events.filter((e) => e.late && e.kind === 'cooling-read' && !e.withdrawn)
  const tone = ['FAILED', 'WILL_FAIL', 'NOT_SHOWN'].includes(cooling.overall)
    ? 'text-hazard'
    : ['PASSED_ON_LATE_ENTRIES', 'PASSED_AFTER_CORRECTION'].includes(cooling.overall)
      ? 'text-amber'
      : 'text-frost'
  return (
    <div>
      <Heading aside={`${cooling.profile}, ${cooling.source}`}>
        <span className="inline-flex items-center gap-2">
          <span>
            Cooling: <span className={tone}>{outcomeName[cooling.overall]}</span>
          </span>
          <WhyOf of="The time to cold" figure="cooling" from={{ batch: page.card.id }} />
        </span>
      </Heading>
      <Wedge
        readings={readings}
        plan={page.coolingPlan.curve.map((point) => ({
          ...point,
          minute: point.minute + minute(cooling.strainedAt ?? now),
        }))}
        stages={cooling.stages.map((s) => ({
          fromC: s.fromC,
          toC: s.toC,
          startMin: s.opened ? minute(s.opened) : undefined,
          deadlineMin: s.deadline ? minute(s.deadline) : undefined,
          failed: ['FAILED', 'WILL_FAIL'].includes(s.outcome),
        }))}
        projection={projection}
        nowMin={Math.min(
          minute(now),
          Math.max(60, ...cooling.stages.map((s) => (s.deadline ? minute(s.deadline) : 0))) + 30,
        )}
        temperature={(c) => units.celsius(c, 1)}
        clock={(m) => clock(zero + m * 60_000)}
        label={`Cooling against ${cooling.profile}: ${outcomeName[cooling.overall]}`}
      />
      <table className="text-15 mt-2 w-full [&_td]:pr-3 [&_td:last-child]:pr-0 [&_th]:pr-3 [&_th:last-child]:pr-0">
        <thead className="text-quiet text-left">
          <tr>
            <th className="font-normal">Stage</th>
            <th className="font-normal">Clock from</th>
            <th className="font-normal">By</th>
            <th className="font-normal">Read cold</th>
            <th className="font-normal">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {cooling.stages.map((s) => (
            <tr key={`${s.fromC}${s.toC}`} className="border-rule border-t">
              <td className="py-1">
                {units.celsius(s.fromC, 1)} to {units.celsius(s.toC, 1)} in {duration(s.withinMin)}
              </td>
              <td>{s.opened ? time(s.opened) : '–'}</td>
              <td>{s.deadline ? time(s.deadline) : '–'}</td>
              <td>{s.provenAt ? time(s.provenAt) : s.projected ? `about ${time(s.projected)}` : '–'}</td>
              <td className="py-1">
                <b className="font-semibold">{outcomeName[s.outcome]}</b>
                <span className="text-13 text-quiet block">{reasonWords[s.reason]}</span>
              </td>
            </tr>
          ))}
          {cooling.begin && (
            <tr className="border-rule border-t">
              <td className="py-1">Cooling begun</td>
              <td>–</td>
              <td>{time(cooling.begin.deadline)}</td>
              <td>{cooling.begin.began ? time(cooling.begin.began) : '–'}</td>
              <td className="py-1">
                <b className="font-semibold">{outcomeName[cooling.begin.outcome]}</b>
                <span className="text-13 text-quiet block">{reasonWords[cooling.begin.reason]}</span>
              </td>
            </tr>
          )}
        </tbody>
      </table>
      {cooling.strainedAt && cooling.asks.length > 0 && (
        <section className="border-frost mt-4 border-l-4 py-1 pl-3">
          <h3 className="text-15 m-0 font-semibold">What proves it</h3>
          <ul className="text-18 m-0 mt-1 grid list-none gap-1 p-0">
            {cooling.asks.map((ask) => (
              <li key={`${ask.proves}${ask.celsius}`}>
                <b className="font-semibold tabular-nums">
                  {new Date(ask.at).getTime() <= now ? 'now' : time(ask.at)}
                </b>{' '}
                {ask.proves === 'STILL_HOT'
                  ? `read it at ${units.celsius(ask.celsius, 1)} or just above: its clock opens then`
                  : `${units.celsius(ask.celsius, 1)} or less${ask.by ? ` by ${time(ask.by)}` : ''}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {cooling.readings.some((reading) => reading.doubtful) && (
        <div className="mt-3">
          <Note>
            Hardly to be believed:{' '}
            {cooling.readings
              .filter((reading) => reading.doubtful)
              .map((reading) => `${units.celsius(reading.celsius, 1)} at ${time(reading.at)}`)
              .join(', ')}
            . Read it again, five minutes later, in another place.
          </Note>
        </div>
      )}
      <p className="text-15 text-quiet mt-3 mb-0">
        Planned: {intoWords(page.coolingPlan.into, units)},{' '}
        {page.coolingPlan.chiller
          ? `in ${page.coolingPlan.chiller}`
          : `stirred in ice water with at least ${units.kg(page.coolingPlan.iceKg)} of ice`}
        . {limitsNote}
      </p>
      {cooling.overall === 'PASSED_ON_LATE_ENTRIES' && (
        <Note>
          It passes only by what was entered from memory:{' '}
          {fromMemory
            .map(
              (e) =>
                `${units.celsius((e.correctedTo ?? e.figures).celsius ?? 0, 1)} at ${time(e.at)}, entered ${time(e.recordedAt)} by ${e.byName}`,
            )
            .join('; ')}
          .
        </Note>
      )}
      {cooling.released && (
        <Note>Vouched for at {time(cooling.released)}; who and why stands in the record.</Note>
      )}
      {!cooling.released && !['PASSED', 'ON_COURSE', 'WAITING', 'TIGHT'].includes(cooling.overall) && (
        <Note tone="hazard">
          {cooling.overall === 'WILL_FAIL' && 'Going by the readings it will not make its limit. '}
          {cooling.allowed.map((way) => wayName[way]).join('; or ')}.
        </Note>
      )}
      {cooling.overall === 'TIGHT' && (
        <Note>It will be tight. More ice and a stir now buy the minutes that are missing later.</Note>
      )}
    </div>
  )
}

/** «2 × 10 L steel bain, 7.5 L each, and 1 × 5 L tub, 3.0 L». */
function intoWords(into: Schemas['FilledView'][], units: Formatters): string {
  return into
    .map((f) => `${f.count} × ${f.container}, ${units.litres(f.eachL)}${f.count > 1 ? ' each' : ''}`)
    .join(', and ')
}
