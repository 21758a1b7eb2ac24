import { useState } from 'react';
import { neighbourAtLeft, neighbourAtRight } from '../../../core/commands/index.js';
import type { Act, Cabinet } from '../../../core/decisions/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

/** Which cabinets of the job stand against the ends of this one. */
export function Neighbours({ solved }: { solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const [problem, setProblem] = useState<string | null>(null);
  const { cabinet } = solved;
  const right = job.cabinets.find(({ leftNeighbour }) => leftNeighbour === cabinet.id);
  const others = job.cabinets.filter(({ id }) => id !== cabinet.id);
  const attempt = (wanted: Act) => {
    const outcome = act(wanted);
    setProblem(outcome.ok ? null : outcome.message);
  };
  return (
    <>
      <Chooser
        label="Cabinet at the left"
        others={others}
        value={cabinet.leftNeighbour ?? ''}
        onChoose={(id) => attempt(neighbourAtLeft(cabinet, id))}
      />
      <Chooser
        label="Cabinet at the right"
        others={others}
        value={right?.id ?? ''}
        onChoose={(id) => attempt(neighbourAtRight(job, cabinet, id))}
      />
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
          {problem}
        </p>
      )}
    </>
  );
}

function Chooser({
  label,
  others,
  value,
  onChoose,
}: {
  label: string;
  others: readonly Cabinet[];
  value: string;
  onChoose: (id: string | null) => void;
}) {
  return (
    <label className="flex items-center gap-1">
      <span className="min-w-0 flex-1">{label}</span>
      <select
        className="entry w-36 font-semibold"
        value={value}
        onChange={(event) => onChoose(event.currentTarget.value || null)}
      >
        <option value="">not said</option>
        {others.map(({ id, number, name }) => (
          <option key={id} value={id}>
            {number} {name}
          </option>
        ))}
      </select>
    </label>
  );
}
