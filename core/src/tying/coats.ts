import { capital } from '../base/index.ts';
import { CAUTIONS, dryMinutes } from '../data/index.ts';
import { step, type Step } from './step.ts';

const FUMES: Readonly<Record<string, string>> = {
  superglue: CAUTIONS.superglue,
  resin: CAUTIONS.resin,
  epoxy: CAUTIONS.epoxy,
  cement: CAUTIONS.solvent,
  varnish: CAUTIONS.solvent,
};

const secondsDry = (coat: string, nth: number): number | null => {
  const minutes = dryMinutes(coat, nth);
  return minutes === null ? null : 60 * minutes;
};

const SEALED = ['The eye of the hook is clear.'];

/** The coats of the head, each told which of its kind it is where there are several. */
const coated = (coats: readonly string[], eye: boolean, drawn: readonly string[]): Step[] =>
  coats.map((name, i) => {
    const alike = coats.filter((each) => each === name).length;
    const nth = coats.slice(0, i + 1).filter((each) => each === name).length;
    return step({
      key: `coat/${String(i + 1)}`,
      title: `${capital(name)}${alike > 1 ? `, coat ${String(nth)}` : ''}`,
      how: [
        `One thin coat over the whip, on the point of a needle.`,
        ...(name === 'resin' ? ['Turn the fly under the lamp.'] : []),
        ...(name === 'epoxy' ? ['Keep the fly turning until it no longer runs.'] : []),
      ],
      look: eye ? SEALED : [],
      caution: FUMES[name] ?? null,
      dryS: secondsDry(name, nth),
      drawn,
    });
  });

/** Sealing is a step even where the file names no coat; only an empty list means none. */
export const sealed = (coats: readonly string[] | undefined, eye: boolean, drawn: readonly string[]): Step[] =>
  coats === undefined
    ? [
        step({
          key: 'seal',
          title: 'Seal the whip',
          how: ['Cement, varnish or resin, as you are used to: one thin coat on the point of a needle.'],
          look: eye ? SEALED : [],
          caution: CAUTIONS.coats,
          drawn,
        }),
      ]
    : coated(coats, eye, drawn);
