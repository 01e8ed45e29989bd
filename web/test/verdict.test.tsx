import { act, fireEvent, render, screen } from '@testing-library/react';
import { reportFly, solveFly, type FlyReport } from '@jobbet/core/model';
import { certaintyOf, type Certainty } from '@jobbet/core/study';
import { METRIC } from '@jobbet/core/units';
import { verdictSentence } from '@jobbet/core/contract';
import { VerdictStrip } from '../src/fly/verdict/VerdictStrip.tsx';
import { setSettings } from '../src/shared/settings/settings.ts';
import { RideGlyph, rideWords } from '../src/shared/ui/RideGlyph.tsx';
import { fly } from './build.ts';

const eyes = (diameter: string) => ({
  id: 'eyes',
  role: 'eyes',
  construction: 'ball',
  shape: 'dumbbell',
  material: 'brass',
  diameter,
  at: 'station 2',
  side: 'top',
});
function report(parts: unknown[]): FlyReport {
  const solved = solveFly(fly({ parts }));
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return reportFly(solved.value);
}
const show = (
  of: FlyReport,
  current = true,
  again: (() => void) | null = null,
  certain: Certainty['figures'] | null = null,
) => {
  const { ride, heel_deg: heelDeg } = of.keel.tight;
  return render(
    <VerdictStrip
      report={of}
      current={current}
      again={again}
      tight={{ ride, heelDeg }}
      laid={null}
      certain={certain}
      balls
      checks={null}
      onChecks={() => undefined}
    />,
  );
};
const strip = (): string => screen.getByLabelText('Verdict').textContent;

afterEach(() => {
  act(() => {
    setSettings({ ...METRIC });
  });
});

test('says how it rides, holds, trims, sinks and weighs, and where its eyes would tip it', () => {
  show(report([eyes('4 mm')]));
  expect(screen.getByTestId('ride').textContent).toBe('point-up');
  expect(strip()).toMatch(/leans0° /);
  expect(strip()).toMatch(/rolled by a swing over\d+ cm\/s/);
  expect(strip()).toMatch(/falls free, soaked\d+ cm\/s (fast|very fast)/);
  expect(strip()).toMatch(/the eyes that turn it over[\d.]+ g yours [\d.]+( to [\d.]+)? ×/);
});
test('in the units of the person', () => {
  act(() => {
    setSettings({ speed: 'ft/s', mass: 'gr', decimal: ',' });
  });
  show(report([eyes('4 mm')]));
  expect(strip()).toMatch(/\d,\d\d ft\/s/);
  expect(strip()).toMatch(/\d,\d grains/);
});
test('what may be off by more than a quarter says so beside it, and nothing else does', () => {
  const solved = solveFly(fly({ parts: [eyes('4 mm')] }));
  if (!solved.ok) throw new Error('it does not solve');
  const { figures } = certaintyOf(solved.value.laid);
  if (!figures.holds || !figures.sink) throw new Error('no figures');
  const told = { ...figures, holds: { ...figures.holds, share: 0.33 }, sink: { ...figures.sink, share: 0.25 } };
  show(reportFly(solved.value), true, null, told);
  expect(screen.getAllByTestId('off-by').map((each) => each.textContent)).toEqual(['± 33 %']);
});
test('a fly that floats is said to, and no speed is made up', () => {
  const floating = { ...report([eyes('3 mm')]), sink: null };
  show(floating);
  expect(strip()).toContain('it floats');
  expect(verdictSentence(floating, METRIC)).toContain('floats');
});
test('figures that could not be reckoned are not shown as if they were of the fly; they can be asked for again', () => {
  let asked = 0;
  show(report([eyes('4 mm')]), false, () => asked++);
  expect(strip()).not.toContain('cm/s');
  expect(screen.getByRole('alert').textContent).toContain('could not be reckoned');
  fireEvent.click(screen.getByRole('button', { name: 'try again' }));
  expect(asked).toBe(1);
});
test('old figures stay while new ones are reckoned; before any there is one word', () => {
  const { rerender } = show(report([eyes('4 mm')]), false);
  expect(strip()).toContain('cm/s');
  rerender(
    <VerdictStrip
      report={null}
      current={false}
      again={null}
      tight={{ ride: 'point-down', heelDeg: 0 }}
      laid={null}
      certain={null}
      balls={false}
      checks={null}
      onChecks={() => undefined}
    />,
  );
  expect(strip()).toContain('reckoning');
});
test('the ride glyph turns to the heel it stands for, and its words are whole', () => {
  const { container } = render(<RideGlyph ride="point-up" heelDeg={180} balls />);
  expect(container.querySelector('g')?.getAttribute('transform')).toBe('rotate(180)');
  // A point rolled to the near side lies at a right-handed tier's left, as on the drawing from the front.
  const rolled = render(<RideGlyph ride="on-its-side" heelDeg={90} balls />).container;
  expect(rolled.querySelector('g')?.getAttribute('transform')).toBe('rotate(90)');
  expect(['point-up', 'point-down', 'on-its-side', 'undecided'].map(rideWords)).toEqual([
    'point-up',
    'point-down',
    'on its side',
    'undecided',
  ]);
});

test('weights say the unit they share once, each its own where they share none; eyes of two minds as a range', () => {
  const heavy = report([eyes('5.5 mm')]);
  show(heavy);
  const weights = screen.getByText('weight dry, cast, under water').closest('.border-r')?.textContent ?? '';
  expect(weights.match(/ g\b/g)).toHaveLength(1);
  expect(weights.match(/\d\.\d\d/g)).toHaveLength(3);
});
test('a weight under a tenth of a gram is in milligrams beside others in grams', () => {
  const light = { ...report([eyes('5.5 mm')]) };
  show({ ...light, weight: { ...light.weight, dry_mg: 900, casting_mg: 1200, submerged_mg: 12 } });
  const weights = screen.getByText('weight dry, cast, under water').closest('.border-r')?.textContent ?? '';
  expect(weights).toMatch(/0\.90.*1\.20 g.*12(\.0)? mg/);
});
