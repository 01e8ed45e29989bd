/** A drawn fly looked for in its photograph: how far what was found is from what was drawn. */
export type Tried =
  | {
      readonly what: string;
      readonly ok: true;
      /** By landmark, share of the shank. */
      readonly landmarks: Readonly<Record<string, { readonly off: number; readonly spread: number }>>;
      /** By measure, mm. */
      readonly lengths: Readonly<Record<string, { readonly mm: number; readonly is: number; readonly spread: number }>>;
      /** The gap that is left, mm. */
      readonly gap: { readonly mm: number; readonly is: number } | null;
      /** Found to drawn. */
      readonly area: number;
      readonly mmPerPx: number;
      readonly scaledBy: string;
      readonly confidence: number;
      readonly notes: readonly string[];
      readonly ms: number;
    }
  | { readonly what: string; readonly ok: false; readonly why: string; readonly ms: number };
