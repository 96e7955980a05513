import { accept, refuse } from '@/core/shared/outcome';
import { send } from './send';

const asked: { path: string; init: RequestInit }[] = [];
const answerWith = (answer: () => Promise<Response>) => {
  globalThis.fetch = (async (path: string, init: RequestInit) => {
    asked.push({ path, init });
    return answer();
  }) as typeof fetch;
};
const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
  asked.length = 0;
});

describe('one way to our own routes', () => {
  test('JSON goes as JSON, a string as the JSON that it is, a form as it is, and nothing as nothing', async () => {
    answerWith(async () => Response.json({ is: 'there' }));
    const form = new FormData();
    expect(await send('POST', '/api/a', { one: 1 })).toEqual(accept({ is: 'there' }));
    await send('POST', '/api/b', '{"two":2}');
    await send('POST', '/api/c', form);
    await send('GET', '/api/d');
    expect(asked.map(({ init }) => init.body)).toEqual(['{"one":1}', '{"two":2}', form, undefined]);
    expect(asked.map(({ init }) => init.headers !== undefined)).toEqual([true, true, false, false]);
  });

  test('a refusal is the server’s; an answer that is none of ours is never taken for a success', async () => {
    answerWith(async () => Response.json({ refusal: { reason: 'stale', values: { by: 'Imke' } } }, { status: 422 }));
    expect(await send('POST', '/api/a', {})).toEqual(refuse('stale', { by: 'Imke' }));
    for (const [text, status] of [
      ['<html>Bad gateway</html>', 502],
      ['{}', 500],
      ['<html>Sign in to this network</html>', 200],
    ] as const) {
      answerWith(async () => new Response(text, { status }));
      expect(await send('POST', '/api/a', {})).toEqual(refuse('fault'));
    }
  });

  test('no answer at all, or one that was called off', async () => {
    answerWith(async () => Promise.reject(new TypeError('fetch failed')));
    expect(await send('GET', '/api/a')).toEqual(refuse('server-away'));
    const calledOff = new AbortController();
    calledOff.abort();
    answerWith(async () => {
      asked.at(-1)?.init.signal?.throwIfAborted();
      return Response.json({});
    });
    expect(await send('GET', '/api/a', undefined, calledOff.signal)).toEqual(refuse('server-away'));
  });
});
