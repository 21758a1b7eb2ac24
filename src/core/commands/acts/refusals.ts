import type { Finding } from '../../cabinet/index.js';
import { type Act, type FieldError, type Job, neighbourProblems, subjectOf, tooMany } from '../../decisions/index.js';
import { capital, formatLengthWithUnit } from '../../ground/index.js';
import { readCabinet, readJobHead, refused, type SolvedJob } from '../../solve/index.js';

/** Why a document cannot be as an act leaves it, in one sentence; only what the act touched is looked at. */
export function documentRefusal(before: Job, after: Job): string | null {
  const known = new Set(before.cabinets);
  for (const cabinet of after.cabinets) {
    if (known.has(cabinet)) continue;
    const read = readCabinet(cabinet);
    if (!read.ok) return sentence(read.errors, after);
    const many = tooMany(cabinet);
    if (many) return `${capital(many)}.`;
  }
  if (before.cabinets !== after.cabinets) {
    const [wrong] = neighbourProblems(after.cabinets);
    if (wrong) return `${capital(wrong.message)}.`;
  }
  const { cabinets: _old, ...headBefore } = before;
  const { cabinets: _new, ...headAfter } = after;
  if (Object.keys(headAfter).every((key) => headAfter[key as 'name'] === headBefore[key as 'name'])) return null;
  const read = readJobHead(headAfter);
  return read.ok ? null : sentence(read.errors, after);
}

/** Limits in the schema are in mm; a maker working in inches reads them in both. */
function sentence(errors: readonly FieldError[], job: Job): string {
  const [first] = errors;
  if (!first) return 'This cannot be.';
  if (!first.limit) return first.message;
  return `This should be ${first.limit.least ? 'at least' : 'at most'} ${formatLengthWithUnit(first.limit.value, job.display)}.`;
}

/** True for what one cabinet decides beyond its size. */
function isFaceOrSetting(path: string): boolean {
  const subject = subjectOf(path);
  return subject.kind === 'face' || (subject.kind === 'setting' && subject.layer === 'cabinet');
}

/**
 * An edit of the face or of a setting that would leave a stack over- or under-full is refused with the amount and changes
 * nothing. A change of overall size is let through: the finding then says what no longer fits.
 */
export function stackRefusal(before: SolvedJob, after: SolvedJob, act: Act): string | null {
  if (!act.edits.some(({ path }) => isFaceOrSetting(path))) return null;
  const was = new Map(before.cabinets.map((each) => [each.cabinet.id, each]));
  for (const now of after.cabinets) {
    const old = was.get(now.cabinet.id);
    if (now === old || !old) continue;
    const finding = refused(now);
    if (finding && !refused(old)) return `${finding.what} ${finding.why}`;
  }
  return null;
}

/** The first stop that an act would bring: one of a rule that did not stand against the same parts before. */
export function stopBrought(before: readonly Finding[], after: readonly Finding[]): Finding | undefined {
  const about = ({ rule, parts }: Finding) => `${rule} ${parts.join()}`;
  const known = new Set(before.map(about));
  return after.find((finding) => (finding.severity === 'stop' || finding.refuses) && !known.has(about(finding)));
}
