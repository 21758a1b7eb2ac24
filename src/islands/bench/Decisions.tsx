import { RotateCcw } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Dim } from '../../core/derive/index.js';
import { type Choice, type Leaf, type Material, settingLeaves, spreadOf, thicknessOf } from '../../core/job/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { formatLength, parseLength } from '../../core/units/index.js';
import { LengthField } from '../fields/LengthField.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';
import { entryNames } from './names.js';
import { StackEditor } from './StackEditor.js';

/** Settings grouped in working order; each group is one fold. */
const GROUPS: readonly { title: string; lead: string; leaves: readonly string[] }[] = [
  {
    title: 'Toe and top',
    lead: 'toe/kind',
    leaves: ['toe/kind', 'toe/height', 'toe/setback', 'toe/rearSetback', 'top/kind', 'top/stretcherWidth'],
  },
  {
    title: 'Back and nailers',
    lead: 'back/grooveDepth',
    leaves: ['back/grooveDepth', 'back/ease', 'back/slip', 'back/offsetFrom', 'back/offset', 'nailer/width'],
  },
  {
    title: 'Reveals and gaps',
    lead: 'fronts/gap',
    leaves: [
      'fronts/lay',
      'fronts/gap',
      'fronts/reveal/left',
      'fronts/reveal/right',
      'fronts/reveal/top',
      'fronts/reveal/bottom',
      'dividers/betweenFronts',
      'dividers/atOpenBay',
      'fronts/doorGrain',
      'fronts/drawerGrain',
    ],
  },
  {
    title: 'Banding',
    lead: 'banding/frontThickness',
    leaves: ['banding/frontEdges', 'banding/frontThickness', 'banding/caseEdges', 'banding/caseThickness'],
  },
  {
    title: 'Shelves',
    lead: 'shelves/sidePlay',
    leaves: ['shelves/sidePlay', 'shelves/frontSetback', 'shelves/rearPlay'],
  },
];

const LEAVES = new Map(settingLeaves.map((leaf) => [leaf.path.join('/'), leaf]));

/** Settings that say nothing while another one rules them out. */
function idle(path: string, value: (path: string) => string): boolean {
  if (['toe/height', 'toe/setback', 'toe/rearSetback'].includes(path)) return value('toe/kind') === 'none';
  if (path === 'back/offset') return value('back/offsetFrom') !== 'set';
  if (path === 'banding/frontThickness') return value('banding/frontEdges') === 'none';
  if (path === 'banding/caseThickness') return value('banding/caseEdges') === 'none';
  return false;
}

function resolvedAt(solved: SolvedCabinet, leaf: Leaf): Dim | Choice {
  return leaf.path.reduce<unknown>((node, key) => (node as Record<string, unknown>)[key], solved.resolved.settings) as
    | Dim
    | Choice;
}

/** Everything the maker decides about this cabinet, in the order in which it is decided. */
export function Decisions({ solved }: { solved: SolvedCabinet }) {
  const value = (path: string) => {
    const leaf = LEAVES.get(path);
    const found = leaf && resolvedAt(solved, leaf);
    return found instanceof Dim || !found ? '' : found.value;
  };
  return (
    <section aria-label="Decisions" className="min-h-0 overflow-y-auto px-3 pb-4" key={solved.cabinet.id}>
      <OverallSize solved={solved} />
      <Fold title="Materials">
        <Materials solved={solved} />
      </Fold>
      <Fold title="Face, top to bottom" open>
        <StackEditor solved={solved} />
      </Fold>
      {GROUPS.map((group) => (
        <Fold key={group.title} title={group.title} paths={group.leaves}>
          {group.leaves
            .filter((path) => !idle(path, value))
            .map((path) => {
              const leaf = LEAVES.get(path);
              return leaf && <SettingRow key={path} leaf={leaf} solved={solved} />;
            })}
        </Fold>
      ))}
    </section>
  );
}

export function Fold({
  title,
  open = false,
  paths,
  children,
}: {
  title: string;
  open?: boolean;
  paths?: readonly string[];
  children: ReactNode;
}) {
  return (
    <details className="border-t border-rule/60 first:border-t-0" open={open} data-holds={paths?.join(' ')}>
      <summary className="flex min-h-9 items-center gap-1.5 font-semibold">{title}</summary>
      <div className="flex flex-col gap-1 pb-3">{children}</div>
    </details>
  );
}

function OverallSize({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const job = useBench((state) => state.job);
  const openTape = useBench((state) => state.openTape);
  const { cabinet, box, resolved } = solved;
  const path = `cabinets/${cabinet.id}`;
  const style = job.display;
  const names = entryNames(solved);
  const size = (label: string, edit: string, mm: number, tapeOf: (solved: SolvedCabinet) => Dim) => (
    <div className="flex items-center justify-between gap-2">
      <span>{label}</span>
      <LengthField
        label={label}
        mm={mm}
        style={style}
        names={names}
        path={edit}
        className="w-28 text-[1.125rem] font-semibold"
        onFocus={() => openTape(tapeOf)}
        onCommit={(next) => act({ label, edits: [{ path: edit, value: next }] })}
      />
    </div>
  );
  const fromWorktop = cabinet.size.height.from === 'worktop';
  return (
    <div className="flex flex-col gap-1 pt-2 pb-3">
      <TextRow
        label="Cabinet name"
        value={cabinet.name}
        onCommit={(name) => act({ label: 'Cabinet name', edits: [{ path: `${path}/name`, value: name }] })}
      />
      {size('Overall width', `${path}/size/width`, cabinet.size.width, (each) => each.box.width)}
      {fromWorktop ? (
        <>
          {size(
            'Finished worktop height',
            `${path}/size/height/finished`,
            cabinet.size.height.from === 'worktop' ? cabinet.size.height.finished : 0,
            (each) => each.box.overallHeight,
          )}
          <SettingRow leaf={LEAVES.get('worktop/thickness') as Leaf} solved={solved} />
          <p className="text-right text-ink-soft">
            cabinet height <Length mm={box.overallHeight.mm} style={style} />
          </p>
        </>
      ) : (
        size(
          'Overall height',
          `${path}/size/height/mm`,
          cabinet.size.height.from === 'overall' ? cabinet.size.height.mm : 0,
          (each) => each.box.overallHeight,
        )
      )}
      {size('Overall depth', `${path}/size/depth`, cabinet.size.depth, (each) => each.box.overallDepth)}
      <label className="flex min-h-8 items-center gap-2 text-ink-soft">
        <input
          type="checkbox"
          className="size-4 accent-pencil"
          checked={fromWorktop}
          onChange={(event) =>
            act({
              label: 'Height from the worktop',
              edits: [
                {
                  path: `${path}/size/height`,
                  value: event.currentTarget.checked
                    ? { from: 'worktop', finished: box.overallHeight.mm + resolved.settings.worktop.thickness.mm }
                    : { from: 'overall', mm: box.overallHeight.mm },
                },
              ],
            })
          }
        />
        Height from a finished worktop
      </label>
      <SettingRow leaf={LEAVES.get('depth/means') as Leaf} solved={solved} />
      {resolved.settings.depth.means.value === 'fronts' && (
        <SettingRow leaf={LEAVES.get('depth/bumper') as Leaf} solved={solved} />
      )}
    </div>
  );
}

function TextRow({ label, value, onCommit }: { label: string; value: string; onCommit: (value: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    const next = typed?.trim();
    if (next && next !== value) onCommit(next);
    setTyped(null);
  };
  return (
    <input
      aria-label={label}
      className="entry w-full text-[1.125rem] font-semibold"
      value={typed ?? value}
      maxLength={80}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
    />
  );
}

const SOURCE_WORD = {
  here: 'here',
  job: 'job',
  house: 'house',
  measured: 'measured',
  nominal: 'nominal',
  profile: 'profile',
  rule: 'rule',
} as const;

/** One setting: its name, its value, and where that was decided, with a way back to the house standard. */
export function SettingRow({ leaf, solved }: { leaf: Leaf; solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const openTape = useBench((state) => state.openTape);
  const style = useBench((state) => state.job.display);
  const found = resolvedAt(solved, leaf);
  const path = `cabinets/${solved.cabinet.id}/settings/${leaf.path.join('/')}`;
  const label = leaf.label.charAt(0).toUpperCase() + leaf.label.slice(1);
  const source = found.source?.kind ?? 'rule';
  const choice = !(found instanceof Dim);
  const set = (value: unknown) => act({ label, edits: [{ path, value }] });
  const where = (
    <span className="flex w-12 shrink-0 items-center justify-end text-[0.8125rem]">
      {source === 'here' ? (
        <button
          type="button"
          className="flex min-h-7 items-center gap-1 font-semibold text-pencil"
          title={`Decided here. Back to the ${found.source?.note ? 'standard' : 'house standard'}`}
          aria-label={`${label}: decided here, back to the standard`}
          onClick={() => set(undefined)}
        >
          here <RotateCcw size={13} aria-hidden="true" />
        </button>
      ) : (
        <span className="text-ink-soft" title={found.source?.note}>
          {SOURCE_WORD[source]}
        </span>
      )}
    </span>
  );
  if (choice)
    return (
      <div className="flex flex-col" title={leaf.trade}>
        <span className="flex items-center justify-between gap-2">
          <span>{label}</span>
          {where}
        </span>
        <select
          aria-label={label}
          data-path={leaf.path.join('/')}
          className="entry w-full font-semibold"
          value={found.value}
          onChange={(event) => set(event.currentTarget.value)}
        >
          {Object.entries(leaf.options ?? {}).map(([option, words]) => (
            <option key={option} value={option}>
              {words}
            </option>
          ))}
        </select>
        {leaf.trade && <span className="py-0.5 text-[0.875rem] leading-snug text-ink-soft">{leaf.trade}</span>}
      </div>
    );
  return (
    <div className="flex items-center gap-1">
      <span className="min-w-0 flex-1 leading-tight">{label}</span>
      <LengthField
        label={label}
        mm={found.mm}
        style={style}
        names={entryNames(solved)}
        path={leaf.path.join('/')}
        className="w-24 font-semibold"
        onFocus={() => openTape((each) => resolvedAt(each, leaf) as Dim)}
        onCommit={(mm) => set(mm)}
      />
      {where}
    </div>
  );
}

const ROLES = {
  case: 'Case',
  back: 'Back',
  nailer: 'Nailers',
  shelf: 'Shelves',
  plinth: 'Plinth',
  front: 'Fronts',
} as const;

function Materials({ solved }: { solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  return (
    <>
      {(Object.keys(ROLES) as (keyof typeof ROLES)[]).map((role) => (
        <RoleRow key={role} role={role} solved={solved} />
      ))}
      <p className="caps pt-2">Measured thickness, whole job</p>
      {job.materials.map((material) => (
        <MaterialRow key={material.id} material={material} />
      ))}
    </>
  );
}

function RoleRow({ role, solved }: { role: keyof typeof ROLES; solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const { value, source } = solved.resolved.settings.materials[role];
  const path = `cabinets/${solved.cabinet.id}/settings/materials/${role}`;
  const label = `${ROLES[role]} material`;
  return (
    <div className="flex items-center gap-1">
      <span className="w-14 shrink-0">{ROLES[role]}</span>
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
      edits: [{ path: `materials/${material.id}/measured/readings`, value: next }],
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
              mean <Length mm={thicknessOf(material).mm} style={{ ...style, mmStep: 0.01, graduation: 64 }} />, spread{' '}
              <Length mm={spread} style={{ ...style, mmStep: 0.01, graduation: 64 }} />
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
