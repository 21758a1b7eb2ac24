import { OctagonX } from 'lucide-react';
import { useFoundLater } from '../openJob/later.js';
import { useCutting } from './context.js';

/** Cabinets that cannot be built as they stand: said where wood would be cut for them. */
export function StopsNotice({ jobId }: { jobId: string }) {
  const { cabinets } = useCutting();
  const found = useFoundLater(cabinets);
  const stopped = cabinets.flatMap(({ cabinet }, at) => {
    const count = (found?.[at] ?? []).filter(({ severity }) => severity === 'stop').length;
    return count > 0 ? [{ cabinet, count }] : [];
  });
  if (stopped.length === 0) return null;
  return (
    <div role="alert" className="flex gap-2 bg-finding-pale px-3 py-2 text-finding" data-stopped={stopped.length}>
      <OctagonX size={20} aria-hidden="true" className="mt-0.5 shrink-0" />
      <p className="leading-snug">
        <b>
          {stopped.length === 1 ? 'One cabinet cannot' : `${stopped.length} cabinets cannot`} be built as{' '}
          {stopped.length === 1 ? 'it stands' : 'they stand'}:
        </b>{' '}
        {stopped.slice(0, SHOWN).map(({ cabinet, count }, at) => (
          <span key={cabinet.id}>
            {at > 0 && ', '}
            <a className="underline" href={`/jobs/${jobId}?cabinet=${cabinet.id}`}>
              {cabinet.number} {cabinet.name}
            </a>{' '}
            ({count === 1 ? '1 stop' : `${count} stops`})
          </span>
        ))}
        {stopped.length > SHOWN && ` and ${stopped.length - SHOWN} more`}. Settle them on the bench before wood is cut
        for them.
      </p>
    </div>
  );
}

/** So many are named. */
const SHOWN = 6;
