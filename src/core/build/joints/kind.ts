import type { JointWords, Resolved, ResolvedSettings } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import type { Operation, PanelFace, Part } from '../../part/index.js';
import type { InEnd, Joint, OnPart, Seat } from './joint.js';

/** A joint as it is made on one part: where it lies, what joins there, and where its fasteners stand. */
export interface Making {
  readonly joint: Joint;
  readonly seat: Seat;
  /** What joins, where it is a single part. */
  readonly member: Part | undefined;
  readonly settings: ResolvedSettings;
  /** Its fasteners on the receiving part, and in the end of what joins, where that is one part. */
  onReceiver(): OnPart;
  inEnd(): InEnd | undefined;
}

/** What is cut and bored for a joint in the receiving part, in what joins, and in what is notched for it. */
export interface Made {
  readonly receiver: readonly Operation[];
  readonly member: readonly Operation[];
  readonly notched?: { readonly key: string; readonly notch: Operation } | undefined;
}

/** A piece of a joint as it is seen in a cut along the face: `into` runs from the receiving face into what joins (mm). */
export type Seen =
  | { readonly kind: 'line'; readonly points: readonly (readonly [into: number, across: number])[] }
  | { readonly kind: 'bar'; readonly from: number; readonly to: number; readonly height: number };

/** What a joint is fastened by. */
export interface Fastened {
  /** Half of what one takes along their line (mm). */
  half(settings: ResolvedSettings): number;
  /** They stand closer than screws do. */
  readonly close?: true;
  /** It is glued into its holes and wants wood beside it; screws are thin. */
  readonly glued?: true;
  /** The face they are bored into in the receiving part, and how deep (mm). */
  bores(seat: Seat, settings: ResolvedSettings): { readonly face: PanelFace; readonly depth: number };
  /** So many hold by themselves where not all have room; of any other fastener none may go. */
  readonly least?: number;
  /** How far one reaches into the end of a rail it holds (mm). */
  reach(resolved: Resolved): number;
  /** The way one takes where nothing is bored but nothing else may be, and the part it takes it in. */
  way?(making: Making): { readonly key: string; readonly operation: Operation } | undefined;
  seen(resolved: Pick<Resolved, 'settings' | 'materials'>, joint: Joint): readonly Seen[];
}

/**
 * A joint between the parts of a case: its words, what it asks of the shop, and what is cut and bored for it. One file
 * each; a new one is its file and its line in the registry.
 */
export interface JointForm extends JointWords {
  /** How far what joins enters what it joins; absent where it lies against its face. */
  enters?(settings: ResolvedSettings): Dim;
  /** Absent where what is cut for it carries it. */
  readonly fastened?: Fastened;
  /** The joint it is made as where it is chosen by the shop's standard only and would show in an exposed end. */
  hidden?(member: NonNullable<Joint['member']>): string;
  /** The joint it is made as where another already meets the other face of the panel. */
  readonly second?: string;
  /** The joint it is made as where nothing can be cut for it. */
  readonly uncut?: string;
  make(making: Making): Made;
}

/** Nothing to cut. */
export const NOTHING: Made = { receiver: [], member: [] };
