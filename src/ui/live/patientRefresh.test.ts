import { patientRefresh } from './patientRefresh';

const shown = 'http://shop/bench/U-0001?face=2';
const rsc = { headers: { rsc: '1', 'next-router-state-tree': '[]' } };
const whole = () => new Response('0:{"P":null}\n', { status: 200 });
const broken = () =>
  new Response(
    new ReadableStream({
      start(stream) {
        stream.enqueue(new TextEncoder().encode('0:{"P"'));
        stream.error(new Error('cut'));
      },
    }),
  );
const faulty = () => new Response('0:{"P":null}\n1a:E{"digest":"2834"}\n', { status: 200 });

/** A fetch that gives these one after the other, the last again and again. */
function given(answers: readonly (() => Response)[], doors: { here?: () => string; follows?: () => boolean } = {}) {
  const asked: string[] = [];
  const following: boolean[] = [];
  const waited: number[] = [];
  const patient = patientRefresh({
    fetch: (input, init) => {
      asked.push(String(input));
      following.push(new Headers(init?.headers).has('plucky-follows'));
      const answer = answers[Math.min(asked.length, answers.length) - 1];
      return answer ? Promise.resolve().then(answer) : Promise.reject(new TypeError('no answer'));
    },
    here: () => shown,
    follows: () => false,
    wait: (ms) => {
      waited.push(ms);
      return Promise.resolve();
    },
    ...doors,
  });
  return { patient, asked, following, waited };
}
const gone = () => {
  throw new TypeError('no way there');
};

describe('patientRefresh', () => {
  test.each([
    ['no way there', gone],
    ['a gateway without a server behind it', () => new Response('', { status: 502 })],
    ['an answer that breaks off', broken],
    ['a fault while the page was read', faulty],
  ])('%s: the page stays, and gets what the server has when it is back', async (_, trouble) => {
    const { patient, asked, waited } = given([trouble, trouble, whole]);
    const response = await patient(`${shown}&_rsc=abc`, rsc);
    expect(await response.text()).toBe('0:{"P":null}\n');
    expect(asked).toHaveLength(3);
    expect(waited).toEqual([500, 1000]);
  });

  test.each([
    ['another page', 'http://shop/dock?_rsc=1', rsc],
    ['another search', 'http://shop/bench/U-0001?face=3&_rsc=1', rsc],
    ['another server', 'http://elsewhere/bench/U-0001?face=2&_rsc=1', rsc],
    ['a page ahead', `${shown}&_rsc=1`, { headers: { rsc: '1', 'next-router-prefetch': '1' } }],
    ['no page at all', shown, {}],
  ])('%s is asked for once, as ever', async (_, url, init) => {
    const { patient, asked } = given([gone, whole]);
    await expect(patient(url, init)).rejects.toThrow('no way there');
    expect(asked).toEqual([url]);
  });

  test('a page that is not there, or elsewhere now, is no fault', async () => {
    const text = '0:{}\n2:E{"digest":"NEXT_HTTP_ERROR_FALLBACK;404"}\n';
    const { patient, asked } = given([() => new Response(text)]);
    expect(await (await patient(shown, rsc)).text()).toBe(text);
    expect(asked).toHaveLength(1);
  });

  test('a page that faults by itself may say so in the end', async () => {
    const { patient, asked } = given([faulty]);
    expect(await (await patient(shown, rsc)).text()).toContain('2834');
    expect(asked).toHaveLength(20);
  });

  test('who went to another page meanwhile is not held', async () => {
    let at = shown;
    const { patient, asked } = given(
      [
        () => {
          at = 'http://shop/dock';
          throw new TypeError('no way there');
        },
      ],
      { here: () => at },
    );
    await expect(patient(shown, rsc)).rejects.toThrow('another page');
    expect(asked).toHaveLength(1);
  });

  test('the server is told of a refresh that follows others, each time it is asked, and of no other', async () => {
    const followed = given([gone, whole], { follows: () => true });
    await followed.patient(shown, rsc);
    expect(followed.following).toEqual([true, true]);
    const own = given([whole]);
    await own.patient(shown, rsc);
    expect(own.following).toEqual([false]);
  });

  test('what was called off is over', async () => {
    const control = new AbortController();
    control.abort();
    const { patient, asked } = given([gone]);
    await expect(patient(shown, { ...rsc, signal: control.signal })).rejects.toThrow('no way there');
    expect(asked).toHaveLength(1);
  });

  test('an address and a request are told the same', async () => {
    for (const input of [new URL(shown), new Request(shown)]) {
      const { patient, asked } = given([gone, whole]);
      await patient(input, rsc);
      expect(asked).toHaveLength(2);
    }
  });
});
