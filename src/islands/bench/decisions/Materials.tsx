import { useState } from 'react';
import {
  MATERIAL_ROLES,
  type Material,
  type MaterialRole,
  pathTo,
  spreadOf,
  thicknessOf,
} from '../../../core/decisions/index.js';
import { capital, formatLength, parseLength } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';

/** Which material each role is made of, and what the caliper says of each. */
export function Materials({ solved }: { solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  return (
    <>
      {(Object.keys(MATERIAL_ROLES) as MaterialRole[]).map((role) => (
        <RoleRow key={role} role={role} solved={solved} />
      ))}
      <p className="caps pt-2">Measured thickness, whole job</p>
      {job.materials.map((material) => (
        <MaterialRow key={material.id} material={material} />
      ))}
    </>
  );
}

function RoleRow({ role, solved }: { role: MaterialRole; solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const { value, source } = solved.resolved.settings.materials[role];
  const path = pathTo.setting(solved.cabinet.id, `materials/${role}`);
  const name = capital(MATERIAL_ROLES[role]);
  const label = `${name} material`;
  return (
    <div className="flex items-center gap-1">
      <span className="w-[4.75rem] shrink-0">{name}</span>
      <select
        aria-label={label}
        className="entry min-w-0 flex-1"
        value={value}
        onChange={(event) => act({ label, edits: [{ path, value: event.currentTarget.value }] })}
      >
        {job.materials.map((material) => (
          <option key={material.id} value={material.id}>
            {material.name}
          </option>
        ))}
      </select>
      <span className="w-12 shrink-0 text-right text-[0.8125rem]">
        {source.kind === 'here' ? (
          <button
            type="button"
            className="min-h-7 font-semibold text-pencil"
            aria-label={`${label}: decided here, back to the standard`}
            onClick={() => act({ label, edits: [{ path, value: undefined }] })}
          >
            here ↺
          </button>
        ) : (
          <span className="text-ink-soft">{source.kind}</span>
        )}
      </span>
    </div>
  );
}

/** Readings are typed side by side: `17.7 17.8 17.9`, or in inches separated by semicolons. */
function MaterialRow({ material }: { material: Material }) {
  const style = useBench((state) => state.job.display);
  const act = useBench((state) => state.act);
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { readings } = material.measured;
  const shown = readings.map((reading) => formatLength(reading, { ...style, mmStep: 0.01, graduation: 64 })).join('; ');
  const commit = () => {
    if (typed === null || typed === shown) {
      setTyped(null);
      return;
    }
    const next: number[] = [];
    for (const text of typed
      .split(';')
      .map((each) => each.trim())
      .filter(Boolean)) {
      const read = parseLength(text, { unit: style.unit });
      if (!read.ok) {
        setProblem(`${read.message} Several readings are separated by semicolons.`);
        return;
      }
      next.push(read.mm);
    }
    const outcome = act({
      label: `${material.name} measured`,
      edits: [{ path: pathTo.materialField(material.id, 'measured/readings'), value: next }],
    });
    setProblem(outcome.ok ? null : outcome.message);
    if (outcome.ok) setTyped(null);
  };
  const spread = spreadOf(material);
  return (
    <div className="flex flex-col gap-0.5">
      <div className="flex items-center gap-1">
        <span className="min-w-0 flex-1 leading-tight">{material.name}</span>
        <input
          aria-label={`${material.name}, readings`}
          data-path={`materials/${material.id}/measured/readings`}
          className="entry w-32 text-right font-semibold"
          placeholder="not measured"
          value={typed ?? shown}
          aria-invalid={problem !== null}
          onChange={(event) => {
            setTyped(event.currentTarget.value);
            setProblem(null);
          }}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
            if (event.key === 'Escape') {
              setTyped(null);
              setProblem(null);
            }
          }}
        />
      </div>
      {problem ? (
        <span role="alert" className="bg-finding-pale px-1.5 py-1 text-[0.875rem] text-finding">
          {problem}
        </span>
      ) : (
        <span className="text-right text-[0.8125rem] text-ink-soft">
          {readings.length > 1 ? (
            <>
              mean <Length mm={thicknessOf(material).value} style={{ ...style, mmStep: 0.01, graduation: 64 }} />,
              spread <Length mm={spread} style={{ ...style, mmStep: 0.01, graduation: 64 }} />
            </>
          ) : readings.length === 0 ? (
            <>
              figured at nominal <Length mm={material.nominal} style={style} />
            </>
          ) : null}
        </span>
      )}
    </div>
  );
}
