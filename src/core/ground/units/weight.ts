import type { LengthUnit } from './length.js';

const POUNDS = 2.20462;

/** What weights are given in beside lengths of a unit. */
export const weightUnit = (unit: LengthUnit) => (unit === 'in' ? 'lb' : 'kg');

/** A weight in kg, in what weights are given in beside lengths of a unit. */
export const weightIn = (kg: number, unit: LengthUnit) => (unit === 'in' ? kg * POUNDS : kg);
