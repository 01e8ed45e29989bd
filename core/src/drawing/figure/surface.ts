/** What the painter draws on: a canvas, or a text of vector paths. Coordinates in px of that surface. */
export interface Surface {
  begin(): void;
  /**
   * Begins the path that `build` lays, or the very one it laid before for the same matter and key: what does not move while a tip is
   * pulled need not be laid again.
   */
  reuse(matter: object, key: string, build: () => void): void;
  move(x: number, y: number): void;
  line(x: number, y: number): void;
  quad(cx: number, cy: number, x: number, y: number): void;
  close(): void;
  fill(colour: string, alpha?: number): void;
  stroke(colour: string, width: number, alpha?: number, dash?: readonly number[]): void;
  /** A lit sphere. */
  ball(
    x: number,
    y: number,
    r: number,
    stops: readonly [light: string, base: string, dark: string, edge: string],
  ): void;
  /** A circle as part of the current path. */
  circle(x: number, y: number, r: number): void;
}

const n = (value: number): string => String(Math.round(value * 100) / 100);

/** Gathers paths as the text of SVG; what becomes of each is for the kind of surface to say. */
export abstract class PathSurface implements Surface {
  protected path = '';
  protected readonly scale: number;

  /** @param scale from what is laid to what is written */
  constructor(scale = 1) {
    this.scale = scale;
  }

  private to(x: number, y: number): string {
    return `${n(this.scale * x)} ${n(this.scale * y)}`;
  }

  begin(): void {
    this.path = '';
  }
  reuse(_matter: object, _key: string, build: () => void): void {
    this.begin();
    build();
  }
  move(x: number, y: number): void {
    this.path += `M${this.to(x, y)}`;
  }
  line(x: number, y: number): void {
    this.path += `L${this.to(x, y)}`;
  }
  quad(cx: number, cy: number, x: number, y: number): void {
    this.path += `Q${this.to(cx, cy)} ${this.to(x, y)}`;
  }
  close(): void {
    this.path += 'Z';
  }
  circle(x: number, y: number, r: number): void {
    const [round, across] = [this.scale * r, 2 * this.scale * r];
    this.path += `M${this.to(x - r, y)}a${n(round)} ${n(round)} 0 1 0 ${n(across)} 0a${n(round)} ${n(round)} 0 1 0 ${n(-across)} 0Z`;
  }

  abstract fill(colour: string, alpha?: number): void;
  abstract stroke(colour: string, width: number, alpha?: number, dash?: readonly number[]): void;
  abstract ball(x: number, y: number, r: number, stops: readonly [string, string, string, string]): void;
}

/** Collects SVG markup: the same primitives as on the canvas, as vector paths. */
export class SvgSurface extends PathSurface {
  private readonly out: string[] = [];
  private readonly gradients = new Map<string, string>();
  private readonly prefix: string;

  /** @param prefix of the names of its gradients, where several stand on one page */
  constructor(prefix = 'b') {
    super();
    this.prefix = prefix;
  }

  fill(colour: string, alpha = 1): void {
    if (this.path !== '')
      this.out.push(`<path d="${this.path}" fill="${colour}"${alpha < 1 ? ` fill-opacity="${n(alpha)}"` : ''}/>`);
  }

  stroke(colour: string, width: number, alpha = 1, dash: readonly number[] = []): void {
    if (this.path === '') return;
    this.out.push(
      `<path d="${this.path}" fill="none" stroke="${colour}" stroke-width="${n(width)}" stroke-linecap="round" stroke-linejoin="round"${alpha < 1 ? ` stroke-opacity="${n(alpha)}"` : ''}${dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}"` : ''}/>`,
    );
  }

  ball(x: number, y: number, r: number, stops: readonly [string, string, string, string]): void {
    const key = stops.join();
    const id = this.gradients.get(key) ?? `${this.prefix}${String(this.gradients.size)}`;
    this.gradients.set(key, id);
    this.out.push(`<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="url(#${id})"/>`);
  }

  /** The gathered elements, with the gradients they use. */
  markup(): string {
    const defs = [...this.gradients].map(([stops, id]) => {
      const [light, base, dark, edge] = stops.split(',');
      return `<radialGradient id="${id}" cx=".36" cy=".32" r=".75"><stop offset="0" stop-color="${light ?? ''}"/><stop offset=".35" stop-color="${base ?? ''}"/><stop offset=".8" stop-color="${dark ?? ''}"/><stop offset="1" stop-color="${edge ?? ''}"/></radialGradient>`;
    });
    return `${defs.length > 0 ? `<defs>${defs.join('')}</defs>` : ''}${this.out.join('')}`;
  }
}
