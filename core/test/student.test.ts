import { betaShare, chiSquareQuantile, gammaShare, logGamma, studentQuantile } from '../src/numeric/student.ts';

// Critical values as printed in the NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2 and 1.3.6.7.4.
test.each([
  [0.975, 1, 12.706],
  [0.975, 4, 2.776],
  [0.975, 10, 2.228],
  [0.95, 10, 1.812],
  [0.975, 30, 2.042],
  [0.975, 100, 1.984],
])('t of %d at %d degrees of freedom', (share, freedom, printed) => {
  expect(Math.abs(studentQuantile(share, freedom) - printed)).toBeLessThan(6e-4);
});
test.each([
  [0.975, 1, 5.024],
  [0.025, 9, 2.7],
  [0.975, 9, 19.023],
  [0.95, 20, 31.41],
  [0.025, 50, 32.357],
])('χ² of %d at %d degrees of freedom', (share, freedom, printed) => {
  expect(Math.abs(chiSquareQuantile(share, freedom) - printed)).toBeLessThan(6e-4);
});
test('where they are known exactly', () => {
  // Γ(5) = 24, Γ(1/2) = √π; I_x(1, 1) = x, I_x(2, 1) = x²; P(1, x) = 1 − e^(−x).
  expect(logGamma(5)).toBeCloseTo(Math.log(24), 12);
  expect(logGamma(0.5)).toBeCloseTo(Math.log(Math.PI) / 2, 12);
  for (const x of [0, 0.1, 0.5, 0.9, 1]) {
    expect(betaShare(1, 1, x)).toBeCloseTo(x, 12);
    expect(betaShare(2, 1, x)).toBeCloseTo(x * x, 12);
    expect(gammaShare(1, 3 * x)).toBeCloseTo(1 - Math.exp(-3 * x), 12);
  }
});
