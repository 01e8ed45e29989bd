import { flyFigure, paintFly, type ViewName, viewOf } from '@jobbet/core/drawing';
import type { Drawers } from '@jobbet/core/drawers';
import { boundsOf, type LaidFly } from '@jobbet/core/model';
import { normalOf } from '@jobbet/core/numeric';
import { layDeviant, spreadsOf } from '@jobbet/core/study';
import { CanvasSurface } from '../../shared/drawing/canvas.ts';
import type { PhotoView } from './photo.ts';

/** A way pictures come in: a camera of this device, or a stand-in for one. */
export interface CameraPort {
  readonly name: string;
  readonly simulated: boolean;
  /** Shows what it sees where it can. @throws with why it cannot be used */
  readonly open: (into: HTMLVideoElement) => Promise<void>;
  readonly shot: () => Promise<Blob>;
  readonly close: () => void;
}

const JPEG = 'image/jpeg';
const jpegOf = async (canvas: OffscreenCanvas, quality: number): Promise<Blob> =>
  canvas.convertToBlob({ type: JPEG, quality });

/** The camera on the back of this device. */
export class DeviceCamera implements CameraPort {
  readonly name = 'camera';
  readonly simulated = false;
  private stream: MediaStream | null = null;
  private video: HTMLVideoElement | null = null;

  async open(into: HTMLVideoElement): Promise<void> {
    this.stream = await navigator.mediaDevices.getUserMedia({
      video: { facingMode: 'environment', width: { ideal: 4000 }, height: { ideal: 3000 } },
    });
    this.video = into;
    into.srcObject = this.stream;
    await into.play();
  }

  shot(): Promise<Blob> {
    const { video } = this;
    if (!video) throw new Error('The camera is not open.');
    const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
    canvas.getContext('2d')?.drawImage(video, 0, 0);
    return jpegOf(canvas, 0.92);
  }

  close(): void {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.stream = null;
  }
}

/** Whether this browser lets a page use a camera: over a safe connection, where there is one. */
export const hasCamera = (): boolean => window.isSecureContext && 'mediaDevices' in navigator;

const [WIDTH, HEIGHT] = [1400, 800];
const FILLS = 0.8;
const GROUND = '#e6e3d8';
const [FALLOFF, GRAIN] = [0.16, 5];
const NAMES: Readonly<Record<PhotoView, ViewName>> = { side: 'profile', top: 'plan', front: 'section' };

/** Renders the fly as it might come out of a tier's hands, on a card under uneven light. The same seed gives the same fly. */
export class SimulatedCamera implements CameraPort {
  readonly name = 'stand-in';
  readonly simulated = true;
  private readonly laid: LaidFly;
  private readonly view: PhotoView;
  private readonly seed: number;

  constructor(plan: LaidFly, drawers: Drawers, view: PhotoView, seed: number) {
    const off = spreadsOf(plan).map(({ part, kind, sigma }, i) => ({ part, kind, off: sigma * normalOf(seed, i, 0) }));
    const tied = layDeviant(plan, drawers, off);
    this.laid = tied.ok ? tied.value : plan;
    this.view = view;
    this.seed = seed;
  }

  open(): Promise<void> {
    return Promise.resolve();
  }

  shot(): Promise<Blob> {
    const canvas = new OffscreenCanvas(WIDTH, HEIGHT);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('This browser draws no pictures.');
    context.fillStyle = GROUND;
    context.fillRect(0, 0, WIDTH, HEIGHT);
    this.paint(context);
    this.light(context);
    return jpegOf(canvas, 0.85);
  }

  close(): void {
    // Nothing is open.
  }

  private paint(context: OffscreenCanvasRenderingContext2D): void {
    const { sections, platform } = this.laid;
    const { front, rear, top, bottom, aside } = boundsOf(sections, platform.landmarksMm.rear);
    const [wide, tall] =
      this.view === 'side'
        ? [rear - front, top - bottom]
        : this.view === 'top'
          ? [rear - front, 2 * aside]
          : [2 * aside, top - bottom];
    const scale = FILLS * Math.min(WIDTH / wide, HEIGHT / tall);
    const ox = WIDTH / 2 + (this.view === 'front' ? 0 : ((rear + front) / 2) * scale);
    const oy = HEIGHT / 2 + (this.view === 'top' ? 0 : ((top + bottom) / 2) * scale);
    context.save();
    // Nobody lays a fly down quite level.
    context.translate(WIDTH / 2, HEIGHT / 2);
    context.rotate(0.03 * normalOf(this.seed, 1, 1));
    context.translate(-WIDTH / 2, -HEIGHT / 2);
    context.filter = 'blur(0.8px)';
    paintFly(new CanvasSurface(context), flyFigure(this.laid), viewOf(NAMES[this.view], ox, oy, scale, 'right'), {
      mode: 'dressed',
      ink: '#1b1b1b',
      sheet: '#ffffff',
      dark: false,
    });
    context.restore();
  }

  /** Light that falls off to one side, and grain. */
  private light(context: OffscreenCanvasRenderingContext2D): void {
    const image = context.getImageData(0, 0, WIDTH, HEIGHT);
    const { data } = image;
    let stray = this.seed + 1;
    for (let i = 0; i < data.length; i++) {
      if (i % 4 === 3) continue;
      const light = 1 - (FALLOFF * ((i >> 2) % WIDTH)) / WIDTH;
      // A linear congruence is grain enough (D. H. Lehmer, 1951).
      stray = (stray * 48271) % 2147483647;
      data[i] = (data[i] as number) * light + GRAIN * (stray / 2147483647 - 0.5);
    }
    context.putImageData(image, 0, 0);
  }
}
