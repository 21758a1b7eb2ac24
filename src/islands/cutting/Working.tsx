import { ChevronLeft } from 'lucide-react';
import { Popover } from 'radix-ui';
import { type ReactNode, useState } from 'react';
import type { ReadAs } from '../../core/decisions/index.js';
import { type Dim, termKey } from '../../core/ground/index.js';
import { useMain } from '../fields/over.js';
import { Strip, walk } from '../figures/Strip.js';
import { useOpenJob } from '../openJob/context.js';

/** A number that shows its arithmetic when it is pressed, term by term down to what was decided. */
export function Working({
  dim,
  of,
  children,
  className = '',
}: {
  dim: Dim;
  /** The cabinet it is a number of, where it is one of one. */
  of?: ReadAs | undefined;
  children: ReactNode;
  className?: string;
}) {
  const main = useMain();
  const style = useOpenJob((state) => state.job.display);
  const [trail, setTrail] = useState<readonly string[]>([]);
  const shown = walk(dim, trail) ?? dim;
  return (
    <Popover.Root onOpenChange={() => setTrail([])}>
      <Popover.Trigger
        className={`min-h-7 hover:text-pencil data-[state=open]:text-pencil ${className}`}
        title="Show the arithmetic"
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal container={main}>
        <Popover.Content
          className="sheet z-30 max-h-[70vh] w-80 overflow-y-auto p-3"
          sideOffset={4}
          collisionPadding={8}
          data-working=""
        >
          {trail.length > 0 && (
            <button
              type="button"
              className="flex min-h-7 items-center gap-0.5 text-pencil"
              onClick={() => setTrail(trail.slice(0, -1))}
            >
              <ChevronLeft size={15} aria-hidden="true" /> back
            </button>
          )}
          <Strip dim={shown} of={of} style={style} onFollow={(term) => setTrail([...trail, termKey(shown, term)])} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
