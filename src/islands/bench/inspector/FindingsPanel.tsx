import { Check, CircleHelp, OctagonX, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import type { Finding, Severity } from '../../../core/cabinet/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { useFindings, useFixes } from '../found.js';

export const SEVERITY_WORD: Record<Severity, string> = { stop: 'Stop', warn: 'Warning', note: 'Note' };
const ICON = { stop: OctagonX, warn: TriangleAlert, note: CircleHelp } as const;

/** What Alcove found about this cabinet: what, why, and what would settle it. */
export function FindingsPanel({ solved }: { solved: SolvedCabinet }) {
  const { findings, looking } = useFindings(solved);
  return (
    <section aria-label="Findings" aria-busy={looking} className="sheet p-3">
      <h2 className="caps">Findings</h2>
      {looking && findings.length === 0 ? (
        <p className="mt-1 text-ink-soft">Looking it through.</p>
      ) : findings.length === 0 ? (
        <p className="mt-1 flex items-center gap-1.5">
          <Check size={17} aria-hidden="true" /> Nothing stands against building it.
        </p>
      ) : (
        <ul className={`mt-1 flex flex-col gap-3 ${looking ? 'opacity-55' : ''}`}>
          {alike(findings).map(([first, ...others]) => (
            <li key={first.id} className="flex flex-col gap-1">
              <FindingNote finding={first} />
              {others.length > 0 && <Alike rule={first.rule} findings={others} />}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** Findings of one rule and one severity together, in the order in which the first of each stands. */
function alike(findings: readonly Finding[]): (readonly [Finding, ...Finding[]])[] {
  const groups = new Map<string, [Finding, ...Finding[]]>();
  for (const finding of findings) {
    const key = `${finding.severity} ${finding.rule}`;
    const known = groups.get(key);
    if (known) known.push(finding);
    else groups.set(key, [finding]);
  }
  return [...groups.values()];
}

/** The others of a kind: a line with their number, and each of them once it is opened. */
function Alike({ rule, findings }: { rule: string; findings: readonly Finding[] }) {
  const [open, setOpen] = useState(false);
  return (
    <details data-alike={rule} open={open} onToggle={(event) => setOpen(event.currentTarget.open)} className="pl-2">
      <summary className="flex min-h-7 cursor-pointer items-center font-semibold before:mr-2 before:w-3 before:content-['+'] [[open]>&]:before:content-['−']">
        {findings.length === 1 ? '1 more alike' : `${findings.length} more alike`}
      </summary>
      {open && (
        <ul className="mt-1 flex flex-col gap-3">
          {findings.map((finding) => (
            <li key={finding.id}>
              <FindingNote finding={finding} />
            </li>
          ))}
        </ul>
      )}
    </details>
  );
}

/** What a finding's row is called on the page, so that its mark on the drawing leads to it. */
function findingId({ id }: Finding): string {
  return `finding-${id.replace(/[^\w-]/g, '-')}`;
}

/** Brings a finding's row into sight; one among its like is unfolded first. */
export function showFinding(finding: Finding): void {
  const row = () => document.getElementById(findingId(finding));
  const show = () => row()?.scrollIntoView({ block: 'nearest' });
  const folded = document.querySelector<HTMLDetailsElement>(`details[data-alike="${finding.rule}"]`);
  if (folded && !row()) folded.open = true;
  // What was folded is drawn first.
  requestAnimationFrame(() => requestAnimationFrame(show));
}

function FindingNote({ finding }: { finding: Finding }) {
  const act = useBench((state) => state.act);
  const select = useBench((state) => state.select);
  const fixes = useFixes(finding);
  const Icon = ICON[finding.severity];
  const [part] = finding.parts;
  return (
    <div
      className={`border-l-4 pl-2 ${finding.severity === 'note' ? 'border-rule' : 'border-finding'}`}
      data-finding={finding.rule}
      id={findingId(finding)}
    >
      <p className={`flex items-center gap-1.5 font-bold ${finding.severity === 'note' ? '' : 'text-finding'}`}>
        <Icon size={17} aria-hidden="true" /> {SEVERITY_WORD[finding.severity]}
      </p>
      <p className="leading-snug font-semibold">{finding.what}</p>
      <p className="leading-snug text-ink-soft">{finding.why}</p>
      <p className="mt-1 flex flex-wrap gap-1.5">
        {part && (
          <button type="button" className="act" onClick={() => select(part)}>
            Show it
          </button>
        )}
        {fixes.map((fix) => (
          <button key={fix.label} type="button" className="act" onClick={() => act(fix)}>
            {fix.label}
          </button>
        ))}
      </p>
    </div>
  );
}
