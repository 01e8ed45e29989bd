/** How solids are tinted: the material's own, or one ink for the silhouette. */
export interface Palette {
  readonly ink: string;
  readonly sheet: string;
  readonly plain: boolean;
  readonly tint: (tint: string) => string;
}
