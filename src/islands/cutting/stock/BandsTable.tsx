import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { BAND_WIDER, newId, pathTo, type StockBand } from '../../../core/decisions/index.js';
import { formatLengthWithUnit } from '../../../core/ground/index.js';
import { bandsMissing, isLeftOnFor, isTooNarrow, leastBandWidth } from '../../../core/shop/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { useOpenJob } from '../../openJob/context.js';
import { useCutting } from '../context.js';
import { TakeOut } from './TakeOut.js';

/** Edge bands: their sizes and prices, the materials they match, and what the job has no band for. */
export function BandsTable() {
  const { job, cabinets } = useCutting();
  const act = useOpenJob((state) => state.act);
  const style = job.display;
  const missing = useMemo(
    () =>
      bandsMissing(
        job.stock.bands,
        cabinets.flatMap(({ parts }) => parts),
      ),
    [job.stock.bands, cabinets],
  );
  const add = ({ material, thickness }: (typeof missing)[number]) => {
    const entry: StockBand = {
      id: newId('e'),
      name: `${material.name} band, ${formatLengthWithUnit(thickness, style)}`.slice(0, 80),
      // Bands are sold in whole millimetres.
      width: Math.ceil(leastBandWidth(material)),
      thickness,
      price: 0,
      milled: false,
      materials: [material.id],
    };
    act({ label: `${entry.name} put into stock`, edits: [{ path: pathTo.stock('bands'), insert: entry }] });
  };
  return (
    <section className="sheet flex flex-col gap-2 p-4" aria-label="Edge bands">
      <h2 className="text-[1.0625rem] font-bold">Edge bands</h2>
      {job.stock.bands.length > 0 && (
        <table className="w-full text-left">
          <thead>
            <tr className="border-b border-rule text-ink-soft">
              <th className="px-1 font-normal">Band</th>
              <th className="w-20 px-1 text-right font-normal">Width</th>
              <th className="w-20 px-1 text-right font-normal">Thickness</th>
              <th className="w-28 px-1 text-right font-normal">{job.workshop.costs.money} a metre</th>
              <th className="w-40 px-1 font-normal">Edge milled first</th>
              <th className="w-10 px-1">
                <span className="sr-only">Take away</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {job.stock.bands.map((band) => (
              <BandRow key={band.id} band={band} />
            ))}
          </tbody>
        </table>
      )}
      {missing.map((wanted) => (
        <p key={`${wanted.material.id} ${wanted.thickness}`} className="flex flex-wrap items-center gap-3">
          <span>
            Parts of {wanted.material.name} ask for a band of {formatLengthWithUnit(wanted.thickness, style)}, and there
            is none in stock.
          </span>
          <button type="button" className="act" onClick={() => add(wanted)}>
            <Plus size={15} aria-hidden="true" /> Add this band
          </button>
        </p>
      ))}
      {job.stock.bands.length === 0 && missing.length === 0 && <p className="text-ink-soft">No part is banded.</p>}
    </section>
  );
}

function BandRow({ band }: { band: StockBand }) {
  const job = useOpenJob((state) => state.job);
  const act = useOpenJob((state) => state.act);
  const style = job.display;
  const { id, name } = band;
  const decide = (field: 'width' | 'thickness' | 'price' | 'milled', value: unknown) =>
    act({ label: name, edits: [{ path: pathTo.stockField('bands', id, field), value }] });
  const narrow = isTooNarrow(band, job.materials);
  const { cabinets } = useCutting();
  const leftOn = cabinets.some(({ parts }) => isLeftOnFor(band, parts));
  return (
    <tr className="border-b border-sheet-edge">
      <td className="px-1">
        {name}
        {narrow && (
          <span className="ml-2 text-finding">
            too narrow: it should be {formatLengthWithUnit(BAND_WIDER, style)} wider than the panel
          </span>
        )}
        {band.milled && !leftOn && (
          <span className="ml-2 text-finding">
            the cut sizes leave nothing on for milling: decide it under Banding on the bench
          </span>
        )}
      </td>
      <td className="px-1">
        <LengthField label={`${name}, width`} mm={band.width} style={style} onCommit={(mm) => decide('width', mm)} />
      </td>
      <td className="px-1">
        <LengthField
          label={`${name}, thickness`}
          mm={band.thickness}
          style={style}
          onCommit={(mm) => decide('thickness', mm)}
        />
      </td>
      <td className="px-1 text-right">
        <PlainField
          label={`${name}, price of a metre`}
          width="w-20"
          value={band.price}
          onCommit={(value) => decide('price', value)}
        />
      </td>
      <td className="px-1">
        <select
          aria-label={`${name}, edge milled first`}
          className="entry"
          value={band.milled ? 'yes' : 'no'}
          onChange={({ currentTarget: { value } }) => decide('milled', value === 'yes')}
        >
          <option value="no">no</option>
          <option value="yes">yes, by the bander</option>
        </select>
      </td>
      <td className="px-1 text-right">
        <TakeOut list={pathTo.stock('bands')} id={id} what={name} />
      </td>
    </tr>
  );
}
