import { joints } from '../build/index.js';
import * as decisions from '../decisions/index.js';
import { follows, kinds, libraries, type ResolvedCabinet, slices } from './registry.js';

/** The form of a job document with all that kinds declare: here the document meets the registry. */
export const form = decisions.formOf({
  joints,
  sections: kinds.map(({ settings }) => settings as decisions.Section<decisions.SettingTree>),
  hardware: libraries,
  slices,
});

/** The version of the job document that is written today. */
export const JOB_VERSION = form.version;
/** Every setting there is, in working order; and in sections, as they are shown. */
export const { leaves: settingLeaves, sections: settingSections } = form.declared;

/** The path of a setting, of the construction or of any kind: one that does not exist does not compile. */
export type SettingKey = decisions.DeclaredPath | decisions.PathsOn<{ readonly resolved: ResolvedCabinet }>;

/** The setting at a path. */
export const settingLeaf = (path: SettingKey) => form.declared.leaf(path) as decisions.Leaf;

type Rest<F> = F extends (form: decisions.Form, ...rest: infer R) => infer T ? (...rest: R) => T : never;
const bound = <F extends (form: decisions.Form, ...rest: never[]) => unknown>(of: F) =>
  ((...rest: never[]) => of(form, ...rest)) as unknown as Rest<F>;

export const readJob = bound(decisions.readJob);
export const readJobText = bound(decisions.readJobText);
export const readHardwareText = bound(decisions.readHardwareText);
export const readTouched = bound(decisions.readTouched);
export const readCabinet = bound(decisions.readCabinet);
export const readJobHead = bound(decisions.readJobHead);
export const newJob = bound(decisions.newJob);
export const jobByHand = bound(decisions.jobByHand);
export const isLength = bound(decisions.isLength);
export const isDecidedList = bound(decisions.isDecidedList);

/** Applies edits in place; meant for a draft or a copy. Throws `EditPathError` on a path that leads nowhere. */
export const applyEdits = bound(decisions.applyEdits);

/** What the document says of a way into it, step by step; undefined where it leads nowhere. */
export const trailTo = (path: string) => decisions.trailOf(form.job, path.split('/'));

/** Checks data against a schema and turns what is wrong into sentences with slash paths. */
export const validate = <T>(schema: Parameters<typeof decisions.validate<T>>[1], data: unknown) =>
  decisions.validate(form, schema, data);

/** Settles the settings of one cabinet of a head after another. */
export const standardsOf = (head: decisions.JobHead) =>
  new decisions.Standards(head, { declared: form.declared, fills: form.fills, follows });
