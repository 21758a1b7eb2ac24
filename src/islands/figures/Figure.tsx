import { type Dim, type LengthStyle, roundForExport } from '../../core/ground/index.js';
import { Length } from './Length.js';

/** Where a value was decided, in words. */
export const SOURCE = {
  here: 'typed here',
  job: 'decided for this job',
  house: 'house standard',
  measured: 'measured',
  nominal: 'nominal thickness',
  profile: 'hardware profile',
  rule: 'fixed by the rule',
} as const;

/** A number of a tape, in its measure. */
export function Figure({ dim, style }: { dim: Dim; style: LengthStyle }) {
  if (dim.measure === 'money') return <>{dim.value.toFixed(2)}</>;
  if (dim.measure !== 'mm') return <>{plainNumber(dim.value)}</>;
  return (
    <Length
      mm={dim.value}
      style={{ ...style, mmStep: Math.min(style.mmStep, 0.1), graduation: Math.max(style.graduation, 16) }}
    />
  );
}

/** A number that is no length: four figures where it is small, so that none comes out as nothing. */
function plainNumber(value: number): string {
  if (value === 0 || Math.abs(value) >= 1) return String(Math.round(roundForExport(value) * 10000) / 10000);
  return String(Number(value.toPrecision(4)));
}
