import type { Section } from '../../model/index.ts';

export type DrawMode = 'lines' | 'dressed' | 'silhouette';

export interface PaintOptions {
  readonly mode: DrawMode;
  readonly ink: string;
  readonly sheet: string;
  readonly dark: boolean;
  /** Share of the fibres drawn; fewer while something moves. */
  readonly share?: number;
  /** Sections of the fly, for the lines mode. */
  readonly sections?: readonly Section[];
  /** A part drawn with a broad line of this colour under its outline. */
  readonly picked?: { readonly id: string; readonly colour: string } | undefined;
}
