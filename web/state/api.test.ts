import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type ApiError } from './api.ts';

const answer = (status: number, body: unknown) => () =>
  Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }));
const failing = async (call: Promise<unknown>): Promise<ApiError> =>
  call.then(
    () => Promise.reject(new Error('it should have failed')),
    (error: ApiError) => error,
  );

afterEach(() => vi.unstubAllGlobals());

describe('what the page hears from the server', () => {
  it('an answer is handed on as it is', async () => {
    const fetched = vi.fn(answer(200, { seq: 7, again: false }));
    vi.stubGlobal('fetch', fetched);
    expect(await api.step('/panels/p%201/edit', { edit: 'x' })).toEqual({ seq: 7, again: false });
    const [path, init] = fetched.mock.calls[0] as unknown as [string, RequestInit];
    expect(path).toBe('/api/panels/p%201/edit');
    expect(init).toMatchObject({ method: 'POST', body: '{"edit":"x"}' });
  });
  it('a refusal keeps its code and its sentence', async () => {
    vi.stubGlobal('fetch', answer(409, { error: 'refused', words: 'Glass of Heron is cut already.' }));
    const error = await failing(api.step('/commands', {}));
    expect([error.code, error.message]).toEqual(['refused', 'Glass of Heron is cut already.']);
  });
  it('no server is told as that, so that the step can wait', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')));
    const error = await failing(api.studio());
    expect(error.code).toBe('no-answer');
    expect(error.message).toMatch(/kept here/);
  });
  it.each([
    [502, '<html>bad gateway</html>'],
    [503, '{"status":"down"}'],
    [200, '<html>welcome to the network of the fair</html>'],
  ])('what is no answer of ours is none: %i %s', async (status, text) => {
    vi.stubGlobal('fetch', answer(status, text));
    expect((await failing(api.panel('p'))).code).toBe('no-answer');
  });
});
