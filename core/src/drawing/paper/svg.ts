import type { Item, Page } from './items.ts';

const grey = (share: number): string => {
  const level = Math.round(share * 255)
    .toString(16)
    .padStart(2, '0');
  return `#${level}${level}${level}`;
};
const fixed = (mm: number): string => String(Math.round(mm * 1000) / 1000);
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

function shapeSvg({
  at: [x, y],
  path,
  fill,
  stroke,
  width,
  alpha = 1,
  dash,
}: Extract<Item, { kind: 'shape' }>): string {
  const see = alpha < 1 ? ` opacity="${fixed(alpha)}"` : '';
  const line =
    stroke === undefined
      ? ''
      : ` stroke="${stroke}" stroke-width="${fixed(width ?? 0)}" stroke-linecap="round" stroke-linejoin="round"${dash ? ` stroke-dasharray="${dash.map(fixed).join(' ')}"` : ''}`;
  return `<path transform="translate(${fixed(x)} ${fixed(y)})" d="${path}" fill="${fill ?? 'none'}"${line}${see}/>`;
}

/** A ball in rings of its tints; a page of its own needs no gradient for the few mm they measure. */
function ballSvg({ at: [x, y], r, stops: [light, base, dark, edge] }: Extract<Item, { kind: 'ball' }>): string {
  const ring = (share: number, tint: string): string =>
    `<circle cx="${fixed(x - 0.24 * r * (1 - share))}" cy="${fixed(y - 0.3 * r * (1 - share))}" r="${fixed(r * share)}" fill="${tint}"/>`;
  return ring(1, edge) + ring(0.93, dark) + ring(0.7, base) + ring(0.22, light);
}

function itemSvg(item: Item): string {
  if (item.kind === 'line') {
    const path = item.points.map(([x, y]) => `${fixed(x)} ${fixed(y)}`).join('L');
    const dash = item.dash ? ` stroke-dasharray="${item.dash.join(' ')}"` : '';
    const name = item.name === undefined ? '' : ` data-name="${escaped(item.name)}"`;
    return `<path d="M${path}${item.close ? 'Z' : ''}" fill="none" stroke="${grey(item.grey)}" stroke-width="${fixed(item.width)}" stroke-linejoin="round"${dash}${name}/>`;
  }
  const [x, y] = item.at;
  if (item.kind === 'shape') return shapeSvg(item);
  if (item.kind === 'ball') return ballSvg(item);
  const turn = item.upward === true ? ` transform="rotate(-90 ${fixed(x)} ${fixed(y)})"` : '';
  const weight = item.bold === true ? ' font-weight="700"' : '';
  return `<text x="${fixed(x)}" y="${fixed(y)}" font-size="${fixed(item.size)}" text-anchor="${item.anchor ?? 'start'}" fill="${grey(item.grey ?? 0)}"${weight}${turn}>${escaped(item.text)}</text>`;
}

/** A page as SVG true to scale: its width and height stand in mm. */
export function pageSvg({ widthMm, heightMm, correction, items }: Page): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${fixed(widthMm)}mm" height="${fixed(heightMm)}mm" viewBox="0 0 ${fixed(widthMm)} ${fixed(heightMm)}" font-family="'Sofia Sans Semi Condensed Variable', 'Sofia Sans Semi Condensed', sans-serif"><rect width="100%" height="100%" fill="#fff"/><g transform="scale(${String(correction)})">${items.map(itemSvg).join('')}</g></svg>\n`;
}
