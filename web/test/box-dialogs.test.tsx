import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { ImportDialog } from '../src/features/box/ImportDialog.tsx';
import { SinkLadder } from '../src/features/box/SinkLadder.tsx';
import { takeIn } from '../src/features/box/takingIn.ts';
import { drawingWidth, rowEyeAt } from '../src/features/box/place.ts';
import { SettingsView } from '../src/app/settings/SettingsView.tsx';
import { useSettings } from '../src/shared/settings/settings.ts';
import { MemoryRouter } from 'react-router';
import { fly, listed, stored } from './build.ts';

let asked: string[];
beforeEach(() => {
  asked = [];
  globalThis.fetch = ((url: string, init: { method: string; body?: string }) => {
    const body = JSON.parse(init.body ?? '{}') as { file?: { name: string }; revision?: number };
    asked.push([init.method, url, body.file?.name, body.revision].filter((each) => each !== undefined).join(' '));
    const answer = url === '/api/broken' ? [] : stored(fly(), { revision: 7 });
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(answer) });
  }) as unknown as typeof fetch;
});

const incoming = {
  fresh: [fly({ name: 'New' })],
  known: [
    { file: fly({ name: 'Taken' }), stored: listed(fly({ name: 'Taken' })) },
    { file: fly({ name: 'New' }), stored: null },
  ],
  refused: [{ name: 'bad.fly.json', reasons: ['parts: is missing', 'name: is empty'] }],
};

describe('taking in', () => {
  test('each name that is taken goes as it was answered; a replaced one over its newest revision', async () => {
    const told: number[] = [];
    expect(
      await takeIn(incoming, ['replace', 'both'], (done) => {
        told.push(done);
      }),
    ).toBe(3);
    expect(asked).toEqual([
      'POST /api/flies New',
      'GET /api/flies/f1',
      'PUT /api/flies/f1 Taken 7',
      'POST /api/flies New, imported',
    ]);
    expect(told).toEqual([1, 2, 3]);
    asked = [];
    expect(await takeIn(incoming, ['skip', 'skip'], () => undefined)).toBe(1);
    expect(asked).toEqual(['POST /api/flies New']);
  });
  test('the dialog asks for each, tells every fault, and counts what will come in', async () => {
    let closed = false;
    render(
      <ImportDialog
        incoming={incoming}
        onClose={() => {
          closed = true;
        }}
      />,
    );
    expect(screen.getByText('bad.fly.json is not imported')).toBeTruthy();
    expect(screen.getByText('name: is empty')).toBeTruthy();
    expect(screen.getAllByLabelText('keep both')).toHaveLength(2);
    expect(screen.getAllByLabelText(/replace it/)).toHaveLength(1);
    for (const box of screen.getAllByLabelText('leave it out')) fireEvent.click(box);
    fireEvent.click(screen.getByText('Take 1 in'));
    await waitFor(() => {
      expect(closed).toBe(true);
    });
    expect(asked.filter((each) => each.startsWith('POST'))).toEqual(['POST /api/flies New']);
  });
  test('with nothing to ask they come in by themselves', async () => {
    let closed = false;
    render(
      <ImportDialog
        incoming={{ fresh: incoming.fresh, known: [], refused: [] }}
        onClose={() => {
          closed = true;
        }}
      />,
    );
    await waitFor(() => {
      expect(closed).toBe(true);
    });
    expect(asked).toContain('POST /api/flies New');
  });
});

describe('the ladder of the box', () => {
  test('each fly’s curve begins at its true rate: twice as fast, twice as far down', () => {
    const at = (mmS: number) => {
      const one = listed();
      return { ...one, id: String(mmS), summary: { ...one.summary, sinkMmS: mmS } };
    };
    const { container } = render(
      <SinkLadder flies={[at(100), at(200), at(400)]} at={0} width={150} height={500} scroll={0} row={84} />,
    );
    const [a, b, c] = [...container.querySelectorAll('circle')].map((each) => Number(each.getAttribute('cy')));
    expect((c ?? 0) - (b ?? 0)).toBeCloseTo(2 * ((b ?? 0) - (a ?? 0)), 6);
  });
  test('the eye of a hook stands on the right for a right hand, and the drawing holds the whole fly either way', () => {
    expect(rowEyeAt('right', 3, 40, 2) - rowEyeAt('left', 3, 40, 2)).toBe(2 * (40 - 3));
    expect(drawingWidth(3, 40, 2)).toBeGreaterThan(rowEyeAt('right', 3, 40, 2) + 2 * 3);
  });
});

test('settings hold at once and are kept', async () => {
  render(
    <MemoryRouter>
      <SettingsView />
    </MemoryRouter>,
  );
  await waitFor(() => {
    expect(asked).toContain('GET /api/sign-in');
  });
  fireEvent.click(screen.getByLabelText('inches'));
  fireEvent.click(screen.getByLabelText('off'));
  expect(useSettings.getState()).toMatchObject({ length: 'in', singleKeys: false });
  expect(JSON.parse(localStorage.getItem('jobbet.settings') ?? '{}')).toMatchObject({
    length: 'in',
    singleKeys: false,
  });
});
