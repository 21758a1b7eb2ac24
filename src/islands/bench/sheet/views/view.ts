import type { ReactNode } from 'react';
import type { SolvedCabinet } from '../../../../core/solve/index.js';

export interface ViewProps {
  readonly solved: SolvedCabinet;
  readonly savedAt: string;
}

/** A view of the sheet. A new one is a file here and a line in the registry. */
export interface View<Id extends string = string> {
  readonly id: Id;
  /** As it stands on its tab. */
  readonly label: string;
  /** The key that brings it up. */
  readonly key: string;
  /** What it shows. */
  readonly Sheet: (props: ViewProps) => ReactNode;
  /** What of the cabinet it shows, where that is chosen beside the tabs. */
  readonly Chooser?: (props: { solved: SolvedCabinet }) => ReactNode;
  /** True when it wants the whole height. */
  readonly tall?: true;
}
