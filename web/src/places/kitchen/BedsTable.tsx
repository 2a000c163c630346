import { useState } from 'react'
import { api, type Schemas } from '../../api/client'
import { Heading } from '../../kit/Note'
import { useMay } from '../../kit/session'
import { EquipmentSheet, type Field } from './EquipmentSheet'

type Bed = Schemas['BedView']

const columns: { name: keyof Bed; label: string; head: string; unit: string }[] = [
  { name: 'bulkKgPerL', label: 'Density as it lies', head: 'as it lies', unit: 'kg/L' },
  { name: 'trueKgPerL', label: 'Density of the pieces', head: 'pieces', unit: 'kg/L' },
  { name: 'collagenGPerKg', label: 'Collagen that can go', head: 'collagen', unit: 'g/kg' },
  { name: 'halfTimeH', label: 'Half of it at 95 °C after', head: 'half after', unit: 'h' },
  { name: 'fatGPerKg', label: 'Fat', head: 'fat', unit: 'g/kg' },
  { name: 'scumRawG', label: 'Scum, raw', head: 'scum raw', unit: 'g/kg' },
  { name: 'scumBlanchedG', label: 'Scum, blanched', head: 'blanched', unit: 'g/kg' },
  { name: 'scumRoastedG', label: 'Scum, roasted', head: 'roasted', unit: 'g/kg' },
  { name: 'uptakeDrainedLPerKg', label: 'Holds, drained', head: 'holds drained', unit: 'L/kg' },
  { name: 'uptakePressedLPerKg', label: 'Holds, pressed', head: 'pressed', unit: 'L/kg' },
  { name: 'settlesTo', label: 'Settles to', head: 'settles to', unit: 'of its height' },
]

/** The figures of each kind of bed, which every charge of the kitchen rests on. */
export function BedsTable({ beds }: { beds: Bed[] }) {
  const may = useMay()
  const [editing, setEditing] = useState<Bed>()
  const fields: Field[] = columns.map((c) => ({ name: c.name, label: c.label, kind: 'plain', unit: c.unit }))
  return (
    <section className="mt-8">
      <Heading aside="for each kg; a plan that was accepted keeps the figures it was made with">Beds</Heading>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Figures of beds">
        <table className="text-13 w-full min-w-[980px]">
          <thead>
            <tr className="text-quiet text-right align-bottom">
              <td />
              {columns.map((c) => (
                <th key={c.name} className="py-1 pl-3 font-normal" scope="col">
                  {c.head}
                  <span className="block">{c.unit}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {beds.map((bed) => (
              <tr key={bed.id} className="border-rule border-t">
                <th scope="row" className="text-15 text-left font-normal whitespace-nowrap">
                  {may('SET_UP') ? (
                    <button
                      type="button"
                      className="text-river min-h-[40px] text-left underline underline-offset-[3px]"
                      onClick={() => setEditing(bed)}
                    >
                      {bed.name}
                    </button>
                  ) : (
                    bed.name
                  )}
                </th>
                {columns.map((c) => (
                  <td key={c.name} className="pl-3 text-right">
                    {String(bed[c.name]).replace('-', '−')}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {editing && (
        <EquipmentSheet
          title={editing.name}
          fields={fields}
          start={Object.fromEntries(columns.map((c) => [c.name, editing[c.name]]))}
          save={(values) =>
            api.PUT('/api/kitchen/beds/{slug}', {
              params: { path: { slug: editing.id } },
              body: values as Schemas['BedBody'],
            })
          }
          onClose={() => setEditing(undefined)}
        />
      )}
    </section>
  )
}
