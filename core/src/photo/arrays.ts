/**
 * Reads of typed arrays, one for each kind: a reader that sees several kinds of array is many times as slow. What is read lies inside.
 */
export const f32 = (values: Float32Array, i: number): number => values[i] as number;
export const f64 = (values: Float64Array, i: number): number => values[i] as number;
export const i32 = (values: Int32Array, i: number): number => values[i] as number;
