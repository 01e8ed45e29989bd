import { z } from 'zod';

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** One thing that can be asked of the server: where, with what, and what is answered. The server registers it and clients are typed from it. */
export interface Route<
  P extends z.ZodType = z.ZodType,
  B extends z.ZodType = z.ZodType,
  O extends z.ZodType = z.ZodType,
> {
  readonly method: Method;
  /** With `:id` for what stands in `params`. */
  readonly path: string;
  readonly params: P;
  /** What is sent as JSON; `z.undefined()` for nothing. */
  readonly body: B;
  readonly out: O;
  readonly status: 200 | 201 | 204;
  /** Asked for as events it tells how far it is; see `wire/watched.ts`. */
  readonly watched: boolean;
  /** What is sent or answered as bytes, which no JSON schema tells. */
  readonly bytes: 'none' | 'sent' | 'answered';
  /** Left out of the API's own description: what a view asks of its own server. */
  readonly hidden: boolean;
}

const nothing = z.undefined();
type Nothing = typeof nothing;

interface RouteOptions<P extends z.ZodType, B extends z.ZodType> {
  readonly params?: P;
  readonly body?: B;
  readonly status?: Route['status'];
  readonly watched?: boolean;
  readonly bytes?: Route['bytes'];
  readonly hidden?: boolean;
}

const route =
  (method: Method) =>
  <O extends z.ZodType, P extends z.ZodType = Nothing, B extends z.ZodType = Nothing>(
    path: string,
    out: O,
    options: RouteOptions<P, B> = {},
  ): Route<P, B, O> => ({
    method,
    path,
    out,
    params: options.params ?? (nothing as unknown as P),
    body: options.body ?? (nothing as unknown as B),
    status: options.status ?? 200,
    watched: options.watched ?? false,
    bytes: options.bytes ?? 'none',
    hidden: options.hidden ?? false,
  });

export const [get, post, put, remove] = [route('GET'), route('POST'), route('PUT'), route('DELETE')];

/** The path of a route with its places filled in. */
export const pathOf = ({ path }: Pick<Route, 'path'>, params: Readonly<Record<string, string | number>> = {}): string =>
  path.replaceAll(/:(\w+)/g, (_all, name: string) => encodeURIComponent(String(params[name] ?? '')));
