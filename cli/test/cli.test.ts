import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { PhotoReport } from '@jobbet/core/photo';
import sharp from 'sharp';
import { drawnFly, plannedFly } from '../../core/test/drawnPlan.ts';
import { photographed, shotOf } from '../../core/test/photographed.ts';
import { run, type Terminal } from '../src/main.ts';

const EXAMPLES = join(import.meta.dirname, '../../examples');
const example = (name: string): string => readFileSync(join(EXAMPLES, `${name}.fly.json`), 'utf8');

interface Typed {
  code: number;
  out: string;
  err: string;
}

/** A terminal that remembers what was written, over files given by name. */
function terminalOver(
  files: Readonly<Record<string, string>>,
  stdin: string,
  pictures: Readonly<Record<string, Uint8Array>> = {},
): { terminal: Terminal; written: Typed; bytes: Uint8Array[] } {
  const written: Typed = { code: 0, out: '', err: '' };
  const bytes: Uint8Array[] = [];
  const terminal: Terminal = {
    out: (text) => {
      if (typeof text === 'string') written.out += text;
      else bytes.push(text);
    },
    err: (text) => {
      written.err += text;
    },
    stdin: () => stdin,
    read: (file) => {
      const text = files[file];
      if (text === undefined) throw Object.assign(new Error('missing'), { code: 'ENOENT' });
      return text;
    },
    bytes: (file) => {
      const found = pictures[file] ?? (files[file] === undefined ? undefined : Buffer.from(files[file]));
      if (!found) throw Object.assign(new Error('missing'), { code: 'ENOENT' });
      return found;
    },
    list: (folder) => {
      const inside = Object.keys(files).filter((file) => file.startsWith(`${folder}/`));
      if (inside.length === 0) throw Object.assign(new Error('missing'), { code: 'ENOENT' });
      return inside.map((file) => file.slice(folder.length + 1));
    },
  };
  return { terminal, written, bytes };
}

function typed(args: readonly string[], files: Readonly<Record<string, string>> = {}, stdin = ''): Typed {
  const { terminal, written } = terminalOver(files, stdin);
  const code = run(args, terminal);
  if (typeof code !== 'number') throw new Error('an answer at once was meant');
  return { ...written, code };
}

/** The same for what takes its time and may write bytes. */
async function typedLater(
  args: readonly string[],
  files: Readonly<Record<string, string>>,
  pictures: Readonly<Record<string, Uint8Array>> = {},
): Promise<Typed & { bytes: Uint8Array[] }> {
  const { terminal, written, bytes } = terminalOver(files, '', pictures);
  const code = await run(args, terminal);
  return { ...written, code, bytes };
}

const slate = example('slate-runner');
const broken = (change: (file: { parts: Record<string, unknown>[] } & Record<string, unknown>) => void): string => {
  const file = JSON.parse(slate) as Parameters<typeof change>[0];
  change(file);
  return JSON.stringify(file);
};

describe('solve', () => {
  test('prints one object a file, indented, and exits 0', () => {
    const { code, out, err } = typed(['solve', 'a', 'b'], { a: slate, b: example('ferryman') });
    expect([code, err]).toEqual([0, '']);
    expect(out.match(/^\{$/gm)).toHaveLength(2);
    expect(out.match(/^\}$/gm)).toHaveLength(2);
  });
  test('--lines: a line each', () => {
    const { out } = typed(['solve', '--lines', 'a', 'b'], { a: slate, b: slate });
    const lines = out
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { name: string });
    expect(lines.map((line) => line.name)).toEqual(['Slate Runner', 'Slate Runner']);
  });
  test('--stdin reads standard input', () => {
    expect(JSON.parse(typed(['solve', '--stdin'], {}, slate).out)).toMatchObject({ name: 'Slate Runner' });
  });
  test('every promised key that is computed is there, and no later one is', () => {
    const report = JSON.parse(typed(['solve', 'a'], { a: slate }).out) as Record<string, Record<string, unknown>>;
    const keys = (path: string): string[] =>
      Object.keys(
        path === ''
          ? report
          : (path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], report) as object),
      ).sort();
    expect(keys('')).toEqual(
      expect.arrayContaining(['platform', 'parts', 'weight', 'centres_mm', 'silhouette_mm2', 'keel', 'trim', 'sink']),
    );
    expect(keys('platform')).toEqual([
      'centroid_mm',
      'effectiveGap_mm',
      'gap_mm',
      'landmarks_mm',
      'mass_mg',
      'notes',
      'shank_mm',
      'towPoint_mm',
      'volume_mm3',
      'wire_mm',
    ]);
    expect(keys('platform.landmarks_mm')).toEqual(['barb', 'bend', 'eye', 'head', 'mid', 'point', 'rear']);
    expect(keys('parts.0')).toEqual(
      expect.arrayContaining([
        'id',
        'start_mm',
        'end_mm',
        'tip_mm',
        'length_mm',
        'band_mm',
        'turns',
        'mass_mg',
        'volume_mm3',
        'submerged_mg',
        'centroid_mm',
      ]),
    );
    expect(keys('keel')).toEqual([
      'heelAt100_deg',
      'holdsToRange_mm_s',
      'holdsTo_mm_s',
      'righting',
      'slack',
      'tight',
      'tipping',
    ]);
    expect(keys('keel.tipping')).toEqual(['mass_mg', 'part', 'ratio', 'ratioRange']);
    expect(keys('sink')).toEqual(['class', 'level_mm_s', 'noseFirst_mm_s', 'terminal_mm_s', 'timeTo1m_s']);
    expect(keys('trim')).toEqual(['droop_deg', 'lever', 'noseDown_deg', 'verdict']);
    expect(keys('trim.droop_deg')).toEqual(['100', '300', '600']);
    expect(Object.keys((report['checks'] as unknown as object[])[0] ?? {}).sort()).toEqual([
      'code',
      'costs',
      'figure',
      'fix',
      'limit',
      'message',
      'parts',
      'reason',
      'severity',
    ]);
    expect(report['keel']?.['righting']).toHaveLength(72);
  });
});

describe('sheet', () => {
  test('Markdown, HTML and JSON of how a fly is tied; another format is refused', async () => {
    const plain = await typedLater(['sheet', 'a'], { a: slate });
    expect([plain.code, plain.out.startsWith('# Slate Runner')]).toEqual([0, true]);
    const page = await typedLater(['sheet', 'a', '--format', 'html', '--hand', 'left'], { a: slate });
    expect(page.out).toContain('<!doctype html>');
    const sheet = JSON.parse((await typedLater(['sheet', '--format', 'json', 'a'], { a: slate })).out) as {
      steps: { key: string }[];
    };
    expect(sheet.steps.map((step) => step.key)).toContain('body');
    expect(page.out.match(/<svg /g)).toHaveLength(sheet.steps.length);
    const refused = await typedLater(['sheet', 'a', '--format', 'doc'], { a: slate });
    expect([refused.code, refused.out]).toEqual([2, '']);
    expect(refused.err).toContain('--format is one of md, html, json');
  });
  test('a PDF of one fly, on the paper asked for; of two it is refused', async () => {
    const made = await typedLater(['sheet', 'a', '--format', 'pdf', '--paper', 'letter'], { a: slate });
    expect([made.code, made.out]).toEqual([0, '']);
    const pdf = Buffer.from(made.bytes[0] ?? []).toString('latin1');
    expect(pdf).toMatch(/^%PDF/);
    expect(pdf).toMatch(/MediaBox \[0 0 612/);
    const two = await typedLater(['sheet', 'a', 'b', '--format', 'pdf'], { a: slate, b: slate });
    expect([two.code, two.err, two.bytes]).toEqual([2, 'a PDF is of one fly: name one pattern file\n', []]);
  });
  test.each([
    [['--paper', 'a0'], '--paper is one of a4, letter'],
    [['--hand'], '--hand is one of right, left'],
    [['--ink'], 'unknown option "--ink"'],
  ])('%j is refused', async (more, words) => {
    const { code, err } = await typedLater(['sheet', 'a', ...more], { a: slate });
    expect([code, err]).toEqual([2, expect.stringContaining(words)]);
  });
  test('a bad file is refused by its path, as everywhere', async () => {
    for (const format of ['md', 'pdf']) {
      const { code, err } = await typedLater(['sheet', 'a', '--format', format], { a: '{"format":"jobbet.fly"}' });
      expect(code).toBe(2);
      expect(err).toContain('version');
    }
  });
});

describe('check', () => {
  const closed = JSON.stringify({
    format: 'jobbet.fly',
    version: 1,
    name: 'Plug',
    platform: { kind: 'single', size: '6' },
    parts: [
      {
        id: 'body',
        role: 'body',
        construction: 'wrap',
        material: 'flat tinsel',
        diameter: '10 mm',
        from: 'bend',
        to: 'station 2',
      },
    ],
  });
  test('says what is to be said of a fly; nothing stops it: exit 0', () => {
    const { code, out, err } = typed(['check', 'a'], { a: example('rowan-ember') });
    const said = JSON.parse(out) as { name: string; checks: { code: string; severity: string }[] };
    expect([code, err, said.name]).toEqual([0, '', 'Rowan Ember']);
    expect(said.checks.find((each) => each.code === 'balance.ride')?.severity).toBe('warn');
  });
  test('one that is stopped: exit 1, and all of it is printed; bad input is still 2', () => {
    const { code, out } = typed(['check', '--lines', 'a', 'b'], { a: slate, b: closed });
    expect([code, out.trimEnd().split('\n').length]).toEqual([1, 2]);
    expect(typed(['check', 'a'], { a: '{' }).code).toBe(2);
    expect(typed(['check', '--quick', 'a'], { a: slate }).err).toContain('check takes');
  });
});

describe('run', () => {
  test('a solve object for each size, in the order asked for', () => {
    const { code, out } = typed(['run', 'a', '--sizes', '4,8,double:6,tube:28mm', '--lines'], { a: slate });
    const flies = out
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { size: string; platform: { shank_mm: number }; checks: unknown[] });
    expect([code, flies.map((each) => each.size)]).toEqual([0, ['4', '8', 'double:6', 'tube:28mm']]);
    expect(flies[0]?.platform.shank_mm).toBeGreaterThan(flies[1]?.platform.shank_mm ?? Infinity);
    expect(flies[3]?.platform.shank_mm).toBeCloseTo(28, 6);
  });
  test.each<[string, readonly string[], RegExp]>([
    ['no sizes', ['run', 'a'], /--sizes sizes: name sizes/],
    ['a size that is none', ['run', 'a', '--sizes', '4,99'], /"99" is no hook size/],
    ['another hold', ['run', 'a', '--sizes', '4', '--hold', 'breath'], /--hold is one of shape, ride, sink/],
    ['an option it has not', ['run', 'a', '--sizes', '4', '--quick'], /run takes/],
  ])('%s: exit 2', (_name, args, words) => {
    const { code, out, err } = typed(args, { a: slate });
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(words);
  });
});

describe('--drawers', () => {
  const drawers = (change: (file: { weights: Record<string, unknown>[] }) => void): string => {
    const file = JSON.parse(readFileSync(join(EXAMPLES, 'drawers.json'), 'utf8')) as Parameters<typeof change>[0];
    change(file);
    return JSON.stringify(file);
  };
  const eyesWeigh = (args: readonly string[], files: Readonly<Record<string, string>>): number => {
    const { out } = typed(args, files);
    const { parts } = JSON.parse(out) as { parts: { id: string; mass_mg: number }[] };
    return parts.find((part) => part.id === 'eyes')?.mass_mg ?? 0;
  };
  const weighed = drawers((file) => {
    Object.assign(file.weights.find((item) => item['name'] === 'brass dumbbell 4 mm') ?? {}, {
      massMg: 402,
      massN: 10,
    });
  });
  test('a piece weighed in the drawer weighs that much; without drawers it is the full solid', () => {
    expect(eyesWeigh(['solve', '--drawers', 'd', 'a'], { a: slate, d: weighed })).toBe(402);
    expect(eyesWeigh(['solve', 'a'], { a: slate })).toBeGreaterThan(500);
  });
  test.each<[string, readonly string[], string, RegExp]>([
    ['no name', ['solve', 'a', '--drawers'], weighed, /--drawers needs the name/],
    ['no such file', ['solve', 'a', '--drawers', 'x'], weighed, /^x: /],
    ['not JSON', ['solve', 'a', '--drawers', 'd'], 'red;blue', /^d: not JSON/],
    [
      'a bad item, by its place',
      ['solve', 'a', '--drawers', 'd'],
      drawers((file) => {
        Object.assign(file.weights[1] ?? {}, { diameterMm: -1 });
      }),
      /^d: weights\[1\]\.diameterMm/,
    ],
  ])('%s: exit 2 and one line that says so', (_name, args, d, line) => {
    const { code, out, err } = typed(args, { a: slate, d });
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(line);
  });
});

describe('bad input: exit 2, nothing on standard output, one line a fault', () => {
  const deep = `${'['.repeat(2_500_000)}${']'.repeat(2_500_000)}`;
  test.each<[string, string, RegExp]>([
    [
      'an unknown name, with the nearest right one',
      broken((file) => {
        Object.assign(file.parts[2] ?? {}, { length: 'tial' });
      }),
      /^parts\[2\]\.length: unknown name "tial"; did you mean "tail"\?\n$/,
    ],
    [
      'a loop',
      broken((file) => {
        Object.assign(file.parts[2] ?? {}, { length: 'flash' });
      }),
      /^parts\[2\]\.length: leans on itself: tail\.length → flash\.length → tail\.length\n$/,
    ],
    [
      'an unknown key',
      broken((file) => {
        Object.assign(file, { platfrom: 1 });
      }),
      /^platfrom: unknown key "platfrom"; did you mean "platform"\?\n$/,
    ],
    [
      'a wrong type',
      broken((file) => {
        Object.assign(file, { parts: 'none' });
      }),
      /^parts: expected a list, found a text\n$/,
    ],
    [
      'a name that binds nothing',
      broken((file) => {
        Object.assign(file.parts[6] ?? {}, { binds: ['wign'] });
      }),
      /^parts\[6\]\.binds\[0\]: unknown name "wign"; did you mean "wing"\?\n$/,
    ],
    ['a cut-off file', slate.slice(0, 300), /^not JSON: the file ends too soon/],
    ['5 MB of nesting', deep, /^the file is 5\.0 MB/],
    ['nesting inside the limit', '['.repeat(400_000), /^nested deeper than 24 levels/],
    ['an empty file', '', /^not JSON/],
  ])('%s', (_name, text, words) => {
    const { code, out, err } = typed(['solve', 'a'], { a: text });
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(words);
  });
  test('two wrong relations of one part are two lines', () => {
    const text = broken((file) => {
      Object.assign(file.parts[2] ?? {}, { length: 'tial', buttsTo: 'wieght.rear' });
    });
    expect(
      typed(['solve', 'a'], { a: text })
        .err.trimEnd()
        .split('\n')
        .map((line) => line.split(':')[0]),
    ).toEqual(['parts[2].length', 'parts[2].buttsTo']);
  });
  test('with several files each line begins with the file, and none is printed', () => {
    const { code, out, err } = typed(['solve', 'good', 'bad', 'gone'], { good: slate, bad: '{' });
    expect([code, out]).toEqual([2, '']);
    expect(
      err
        .trimEnd()
        .split('\n')
        .map((line) => line.slice(0, 5)),
    ).toEqual(['bad: ', 'gone:']);
  });
  test.each([[['solve']], [['solve', '--fast', 'a']], [['dance']]])('%j', (args) => {
    const { code, out, err } = typed(args);
    expect([code, out]).toEqual([2, '']);
    expect(err.length).toBeGreaterThan(10);
  });
});

describe('water', () => {
  const FILES = {
    'slate-runner.fly.json': example('slate-runner'),
    'mill-run.beat.json': readFileSync(join(EXAMPLES, 'mill-run.beat.json'), 'utf8'),
  };
  const BEAT = ['--beat', 'mill-run.beat.json'];
  const fished = (...args: string[]) => typed(['water', 'slate-runner.fly.json', ...args], FILES);

  test('prints how a fly is fished, moment by moment, and what it comes to', () => {
    const { code, out } = fished(
      ...BEAT,
      '--manner',
      'swing',
      '--line',
      'sink-tip:4 m:75 mm/s',
      '--want',
      '0.8 m',
      '--seconds',
      '10 s',
      '--level',
      '0.8 m',
    );
    expect(code).toBe(0);
    const told = JSON.parse(out) as {
      run: Record<string, unknown[]>;
      depth: { lowest_mm: number; lowest_range_mm: [number, number] };
      hangsOn: Record<string, number>;
      words: string[];
      bed: { risk: string };
      swing: object;
    };
    expect(new Set(Object.values(told.run).map(({ length }) => length))).toEqual(new Set([101]));
    expect(told.depth.lowest_range_mm[0]).toBeLessThan(told.depth.lowest_mm);
    expect(told.hangsOn['weight']).toBeGreaterThan(0);
    expect(told.hangsOn['current']).toBeLessThan(0);
    expect(told).toMatchObject({ name: 'Slate Runner', bed: { risk: 'none' }, swing: { downstreamAtEnd: false } });
    expect(told.words[0]).toMatch(/^it fishes 0\.\d+ m deep at the most/);
  });

  test.each([
    [[], 'say how deep and how fast the water is'],
    [['--beat', 'nowhere.beat.json'], 'there is no such file'],
    [[...BEAT, '--line', 'rope', '--manner', 'swng'], 'did you mean "swing"'],
    [[...BEAT, '--count'], '--count needs SECONDS'],
    [[...BEAT, '--level', '3 kg'], 'level:'],
    [[...BEAT, '--cast', '2 m'], 'longer than the cast'],
  ])('%j is refused in words', (args, words) => {
    const { code, err, out } = fished(...args);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(words);
  });
});

describe('drill', () => {
  const round = (items: readonly object[], more: object = {}): string =>
    JSON.stringify({ format: 'jobbet.drill', version: 1, of: 'length', at: '2026-10-12T19:30', items, ...more });
  const item = {
    on: '6',
    platform: 'single',
    asked: '1.5 shank',
    direction: 'behind',
    truth: 20,
    given: 18,
    seconds: 4,
  };

  test('prints bias and spread of all rounds together', () => {
    const { code, err, out } = typed(['drill', 'a', 'b'], { a: round([item]), b: round([{ ...item, given: 21 }]) });
    expect([code, err]).toEqual([0, '']);
    const { groups } = JSON.parse(out) as { groups: Record<string, unknown>[] };
    expect(groups).toEqual([
      {
        of: 'length',
        relation: '1.5 shank',
        size: '6',
        platform: 'single',
        direction: 'behind',
        n: 2,
        bias_mm: -0.5,
        sd_mm: 2.1213,
        bias_share: -0.025,
        sd_share: 0.1061,
      },
    ]);
  });
  test('names what does not read by its file and place', () => {
    const { code, err } = typed(['drill', 'a'], { a: round([{ ...item, given: 'long' }]) });
    expect(code).toBe(2);
    expect(err).toContain('a: items[0].given');
  });
});

describe('log', () => {
  const SEASON = Object.fromEntries(
    readdirSync(EXAMPLES)
      .filter((file) => /\.(outing|beat|fly)\.json$/.test(file))
      .map((file) => [`season/${file}`, readFileSync(join(EXAMPLES, file), 'utf8')]),
  );
  const outings = Object.keys(SEASON).filter((file) => file.endsWith('.outing.json'));
  interface Told {
    readonly outings: number;
    readonly groups: readonly {
      readonly name: string;
      readonly hours: number;
      readonly takes: number;
      readonly interval: readonly [number, number];
      readonly verdict: string;
      readonly against: { readonly ratio: readonly [number | null, number | null]; readonly hours_more: number | null };
    }[];
    readonly versions: readonly { readonly changed: readonly string[]; readonly fouled: number }[] | null;
    readonly words: readonly string[];
  }
  const told = (...args: string[]): Told => {
    const { code, err, out } = typed(['log', ...outings, '--flies', 'season', ...args], SEASON);
    expect([code, err]).toEqual([0, '']);
    return JSON.parse(out) as Told;
  };

  test('finds what was planted in the made-up season, and says of what was not that nobody can tell', () => {
    const weight = told('--by', 'weight');
    expect(weight.outings).toBe(30);
    expect(weight.groups.map(({ name, verdict }) => [name, verdict])).toEqual([
      ['0.50 to 0.75 g', 'more'],
      ['0.15 to 0.30 g', 'fewer'],
    ]);
    const high = told('--by', 'weight', '--within', 'level:over 0.65 m');
    expect(high.groups[0]).toMatchObject({ name: '0.50 to 0.75 g', verdict: 'more' });
    expect(high.groups[0]?.against.ratio[0]).toBeGreaterThan(1);
    // By run: what one set as dates; without them there was none.
    expect(told('--by', 'run').groups.map(({ name }) => name)).toEqual(['no run']);
    const colour = told('--by', 'colour');
    expect(new Set(colour.groups.map(({ verdict }) => verdict))).toEqual(new Set(['too few to tell']));
    expect(colour.groups.every(({ against }) => against.hours_more === null || against.hours_more > 50)).toBe(true);
    expect(colour.words.at(-1)).toContain('Nothing here can be told apart yet');
  });
  test('tells the versions of a fly, and how deep it was fished', () => {
    const { versions } = told('--versions', 'Copper Eel');
    expect(versions?.map(({ changed }) => changed)).toEqual([[], ['tail, length: 1.4 shank became 1.1 shank']]);
    expect(versions?.[0]?.fouled).toBeGreaterThan(2 * (versions?.[1]?.fouled ?? 0));
    expect(told('--by', 'depth', '--beats', 'season').groups.length).toBeGreaterThan(1);
    expect(told('--by', 'depth').groups).toEqual([]);
  });
  test.each([
    [['--by', 'taste'], 'is nothing to count by'],
    [['--within', 'level:under water'], 'there is no "under water" by level'],
  ])('%j is refused in words', (args, words) => {
    const { code, err } = typed(['log', ...outings.slice(0, 3), ...args], SEASON);
    expect(code).toBe(2);
    expect(err).toContain(words);
  });
  test('an outing that ends before it begins is named with its file', () => {
    const text = SEASON[outings[0] ?? ''] ?? '';
    const { code, err } = typed(['log', 'a'], { a: text.replace(/"to": "\d\d:\d\d"/, '"to": "00:10"') });
    expect(code).toBe(2);
    expect(err).toMatch(/^a: to: it ends before it begins, at 00:10/);
  });
});

test('schema prints a JSON Schema, help the commands', () => {
  expect(JSON.parse(typed(['schema']).out)).toMatchObject({ title: 'Jobbet pattern file', type: 'object' });
  expect(typed(['--help']).out).toContain('jobbet solve FILE');
});

describe('gauge', () => {
  const asked = ['gauge', 'a', '--sizes', '4,6'];
  test('a PDF with its typeface in it, or a page as SVG true to scale', async () => {
    const pdf = await typedLater(asked, { a: slate });
    expect([pdf.code, pdf.err, pdf.out]).toEqual([0, '', '']);
    expect(Buffer.concat(pdf.bytes).subarray(0, 5).toString()).toBe('%PDF-');
    const svg = await typedLater([...asked, '--format', 'svg', '--paper', 'letter'], { a: slate });
    expect(svg.out).toContain('width="215.9mm" height="279.4mm"');
    expect(svg.out).toContain('single 4, 3X long');
  });
  test('the last print’s bar corrects the next', async () => {
    const { out } = await typedLater([...asked, '--format', 'svg', '--measured', '49,5'], { a: slate });
    expect(out).toContain('corrected × 1.010');
  });
  test.each([
    [['--format', 'png'], '--format is pdf or svg'],
    [['--paper', 'a3'], '--paper is one of a4, letter'],
    [['--hand', 'both'], '--hand is right or left'],
    [['--measured', '20'], '--measured is what'],
    [['--format', 'svg', '--page', '9'], '--page 9: the card has 1'],
    [['--page', 'x'], '--page is the number of a page'],
    [['b'], 'gauge takes one pattern file'],
    [['--hold', 'nothing'], '--hold is one of'],
  ])('%j is refused in words, with nothing printed', async (more, words) => {
    const { code, out, err } = await typedLater([...asked, ...more], { a: slate, b: slate });
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(words);
  });
  test('a fly that does not read is refused by its path', async () => {
    const { code, err } = await typedLater(asked, { a: broken((file) => delete file.parts[0]?.['at']) });
    expect(code).toBe(2);
    expect(err).toMatch(/^parts\[0\]/);
  });
});

describe('jobbet batch', () => {
  const batch = (more: object = {}): string =>
    JSON.stringify({
      format: 'jobbet.batch',
      version: 1,
      name: 'Opening week',
      rows: [{ fly: 'slate-runner.fly.json', on: '6', count: 8 }],
      ...more,
    });
  const beside = { 'week/opening.batch.json': batch(), 'week/slate-runner.fly.json': slate };
  interface Told {
    flies: number;
    rows: { name: string; count: number }[];
    needs: { item: string; need: number; runsOutAt: object | null }[];
  }
  const toldOf = ({ out }: Typed): Told => JSON.parse(out) as Told;

  test('prints the promised keys of a batch whose fly lies beside it', () => {
    const done = typed(['batch', 'week/opening.batch.json'], beside);
    expect([done.code, done.err]).toEqual([0, '']);
    const told = toldOf(done);
    expect(Object.keys(told)).toEqual(expect.arrayContaining(['flies', 'rows', 'prep', 'needs', 'cost', 'time']));
    expect([told.flies, told.rows[0]?.count]).toEqual([8, 8]);
    expect(Object.keys((told as unknown as { time: object }).time)).toEqual(
      expect.arrayContaining(['way', 'hands_min', 'elapsed_min', 'perFly_min', 'basis', 'schedule']),
    );
    expect(Object.keys((told as unknown as { needs: object[] }).needs[0] ?? {})).toEqual(
      expect.arrayContaining([
        'item',
        'colour',
        'unit',
        'need',
        'have',
        'short',
        'runsOutAt',
        'buy',
        'price',
        'substitutes',
      ]),
    );
  });
  test('takes flies by name from the folder named, and the pattern a row carries before anything else', () => {
    const named = { 'a.batch.json': batch({ rows: [{ fly: 'slate runner', count: 1 }] }), 'flies/x.fly.json': slate };
    expect(typed(['batch', 'a.batch.json', '--flies', 'flies'], named).code).toBe(0);
    const carried = {
      'a.batch.json': batch({ rows: [{ fly: 'gone', count: 1, pattern: JSON.parse(slate) as object }] }),
    };
    expect(toldOf(typed(['batch', 'a.batch.json'], carried)).rows[0]?.name).toMatch(/^Slate Runner/);
  });
  test.each([
    [
      { 'a.batch.json': batch() },
      [],
      /^rows\[0\]\.fly: there is no pattern file "slate-runner\.fly\.json" beside the record; --flies/,
    ],
    [
      {
        'a.batch.json': batch({ rows: [{ fly: 'Slate Runner', count: 1 }] }),
        'f/a.fly.json': slate,
        'f/b.fly.json': slate,
      },
      ['--flies', 'f'],
      /^rows\[0\]\.fly: "Slate Runner" is 2 files of f: a\.fly\.json, b\.fly\.json/,
    ],
    [
      { 'a.batch.json': batch(), 'f/a.fly.json': slate },
      ['--flies', 'none'],
      /^rows\[0\]\.fly: "none" does not read: there is no such file/,
    ],
    [{ 'a.batch.json': '{' }, [], /^not JSON/],
    [{ 'a.batch.json': slate }, [], /^format: is not "jobbet\.batch"; this is no batch/],
    [{ 'a.batch.json': batch({ rows: [{ fly: 'b', count: 1 }] }), b: '{}' }, [], /^rows\[0\]\.fly: format: is missing/],
  ])('%# is refused by its place', (files, more, wanted) => {
    const done = typed(['batch', 'a.batch.json', ...more], files);
    expect([done.code, done.out]).toEqual([2, '']);
    expect(done.err).toMatch(wanted);
  });
  test('the example of the demo runs out of slate strip on its ninth fly', () => {
    const read = (name: string): string => readFileSync(join(EXAMPLES, name), 'utf8');
    const files = Object.fromEntries(
      [
        'opening-week.batch.json',
        'slate-runner.fly.json',
        'glass-smolt.fly.json',
        'cinder-sprat.fly.json',
        'drawers.json',
      ].map((name) => [name, read(name)]),
    );
    const told = toldOf(typed(['batch', 'opening-week.batch.json', '--drawers', 'drawers.json'], files));
    expect(told.needs.filter(({ runsOutAt }) => runsOutAt !== null)).toMatchObject([
      { item: 'rabbit strip', colour: 'slate', runsOutAt: { row: 2, fly: 9 }, buy: 1 },
    ]);
  });
  test('schema batch is its JSON Schema, and an unknown one is refused', () => {
    for (const kind of ['batch', 'specimen', 'beat', 'outing', 'date', 'drill'])
      expect(JSON.parse(typed(['schema', kind]).out)).toMatchObject({ type: 'object', properties: { format: {} } });
    expect(typed(['schema', 'batch']).out).toContain('"title": "Jobbet batch"');
    expect(typed(['schema', 'fish'])).toMatchObject({
      code: 2,
      err: 'schema takes one of fly, batch, specimen, beat, outing, date, drill\n',
    });
  });
});

describe('jobbet inspect', () => {
  const one = (number: number, more: object = {}): string =>
    JSON.stringify({
      format: 'jobbet.specimen',
      version: 1,
      fly: 'slate-runner.fly.json',
      number,
      lengths: { tail: ['19.0 mm', { value: '19.2 mm', by: 'caliper' }], 'hook.shank': ['27.1 mm'] },
      weight: ['0.91 g'],
      ...more,
    });
  const files = { fly: slate, a: one(1), b: one(2) };

  test('prints the promised keys: each fly as it came out, the series, what is learnt', async () => {
    const { code, out } = await typedLater(['inspect', 'fly', 'a', 'b'], files);
    expect(code).toBe(0);
    const told = JSON.parse(out) as Record<string, Record<string, unknown>[]>;
    expect(Object.keys(told)).toEqual(expect.arrayContaining(['specimens', 'series', 'learnt']));
    const [first] = told['specimens'] ?? [];
    expect(Object.keys(first ?? {})).toEqual(
      expect.arrayContaining(['number', 'lengths', 'weight', 'asTied', 'verdict', 'fromStep']),
    );
    expect(first).toMatchObject({
      number: 1,
      lengths: [
        { part: 'tail', mm: 19.1, n: 2, sd_mm: 0.1414, in: true },
        { part: 'hook.shank', n: 1, sd_mm: null },
      ],
      weight: { mg: 910 },
      asTied: { ride: 'point-up' },
      verdict: 'keep',
      fromStep: null,
    });
    expect(told['series']?.[1]).toMatchObject({ measure: 'tail', n: 2, limits: null, outside: [], drift: null });
  });
  test('faults name the file and the place in it; nothing is printed', async () => {
    const bad = { ...files, bad: one(3, { lengths: { tial: ['19 mm'] } }), worse: one(4, { weight: ['heavy'] }) };
    const named = await typedLater(['inspect', 'fly', 'a', 'bad'], bad);
    expect([named.code, named.out]).toEqual([2, '']);
    expect(named.err).toMatch(/^bad: lengths\.tial: .*did you mean "tail"/);
    expect((await typedLater(['inspect', 'fly', 'worse'], bad)).err).toMatch(/^worse: weight\[0\]: /);
    expect((await typedLater(['inspect', 'fly', 'none'], bad)).err).toMatch(/^none: /);
    expect((await typedLater(['inspect', 'fly'], bad)).err).toContain('then the specimens');
  });
  test('schema specimen is its JSON Schema', async () => {
    expect(typed(['schema', 'specimen']).out).toContain('"title": "Jobbet specimen"');
  });
  test('a photograph is measured beside them, or alone', async () => {
    const files = { fly: JSON.stringify(plannedFly().file) };
    const drawn = drawnFly(3);
    const shot = shotOf(drawn, 3, 520, 390);
    const { width, height, data } = await photographed(drawn, shot);
    const image = await sharp(data, { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer();
    const { code, out, err } = await typedLater(['inspect', 'fly', '--photo', 'one.png'], files, { 'one.png': image });
    expect([code, err]).toEqual([0, '']);
    const { specimens, photo } = JSON.parse(out) as { specimens: unknown[]; photo: PhotoReport };
    expect(specimens).toEqual([]);
    expect(photo.mm_per_px * shot.pxPerMm).toBeCloseTo(1, 2);
    expect(photo.lengths_mm['tail']).toBeCloseTo(drawn.tailMm, 0);
    expect(Object.keys(photo.landmarks_px)).toEqual(['eye', 'bend', 'point']);
    expect(photo.errors_mm['tail']).toBeGreaterThan(0);
  });

  test.each([
    [['--photo', 'text'], 'text: is not a picture'],
    [['--photo', 'none.png'], 'none.png: '],
    [['--photo', ''], '--photo needs'],
    [['--photo', 'text', '--by', 'tail'], '--by is shank or gap'],
    [['--photo', 'text', '--view', 'below'], '--view is side, top, front'],
    [['--photo', 'text', '--mm-per-px', 'about 4'], '--mm-per-px is a number'],
    [['--by', 'gap'], '--photo IMAGE names it'],
  ])('%j is refused in words', async (args, words) => {
    const { code, out, err } = await typedLater(['inspect', 'fly', ...args], { fly: slate, text: 'words' });
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(words);
  });
});
