/**
 * How much is new in a thread before it is collected (MB): so much that most of a job's cabinets were thrown away by then.
 * Given to threads before they begin; a process that is measured is started with it.
 */
export const YOUNG = '--min-semi-space-size=16';
