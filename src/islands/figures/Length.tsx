import { type LengthStyle, lengthFigures } from '../../core/ground/index.js';

/** A length set in type: tabular whole number, stacked fraction, remainder note. The unit stands once per view, not here. */
export function Length({ mm, style }: { mm: number; style: LengthStyle }) {
  const { negative, whole, fraction, remainder } = lengthFigures(mm, style);
  return (
    <span className="whitespace-nowrap tabular-nums">
      {negative && '−'}
      {!(whole === '0' && fraction) && whole}
      {fraction && whole !== '0' && <span className="sr-only"> </span>}
      {fraction && <Stacked {...fraction} />}
      {remainder && <span className="sr-only"> </span>}
      {remainder && (
        <span className="ml-1 text-[0.8125rem] font-normal text-ink-soft">
          {remainder.word} {remainder.numerator}/{remainder.denominator}
        </span>
      )}
    </span>
  );
}

function Stacked({ numerator, denominator }: { numerator: number; denominator: number }) {
  return (
    <span className="stacked">
      <span>{numerator}</span>
      <span className="sr-only">/</span>
      <span>{denominator}</span>
    </span>
  );
}
