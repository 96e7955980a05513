import { KeyDispatcher } from './keyDispatcher';
import { KeyRegistry } from './keyRegistry';

/** A dispatcher on a clock that the test moves. */
function setUp(wantsCodes = false) {
  const ran: string[] = [];
  let timers: { at: number; work: () => void }[] = [];
  let now = 0;
  const dispatcher = new KeyDispatcher({
    run: (key) => ran.push(key) > 0,
    scan: (tag) => ran.push(`scan ${tag}`),
    scanCode: (code) => (wantsCodes ? ran.push(`code ${code}`) > 0 : false),
    later: (work, ms) => {
      const timer = { at: now + ms, work };
      timers.push(timer);
      return () => (timers = timers.filter((other) => other !== timer));
    },
  });
  const pass = (ms: number) => {
    now += ms;
    const due = timers.filter(({ at }) => at <= now);
    timers = timers.filter(({ at }) => at > now);
    for (const { work } of due) work();
  };
  const type = (text: string, gapMs: number) => {
    for (const key of text) {
      dispatcher.press(key);
      pass(gapMs);
    }
  };
  return { ran, dispatcher, pass, type };
}

describe('KeyDispatcher', () => {
  test('a scanned serial goes to the screen that asked for codes, and to the keys where none did', () => {
    const asked = setUp(true);
    asked.type('OL52634613K21', 4);
    asked.dispatcher.press('Enter');
    expect(asked.ran).toEqual(['code OL52634613K21']);
    const deaf = setUp();
    deaf.type('OL5263', 4);
    deaf.dispatcher.press('Enter');
    expect(deaf.ran).toEqual(['o', 'l', '5', '2', '6', '3', 'Enter']);
  });

  test('a scanned tag opens its thing and presses no key of the bench', () => {
    const { ran, dispatcher, type } = setUp();
    type('U-0747', 4);
    dispatcher.press('Enter');
    expect(ran).toEqual(['scan U-0747']);
  });

  test('a hand’s keys act one by one, after a moment', () => {
    const { ran, type } = setUp();
    type('ub', 80);
    expect(ran).toEqual(['u', 'b']);
  });

  test('space acts at once, after whatever was pressed before it', () => {
    const { ran, dispatcher } = setUp();
    dispatcher.press('b');
    dispatcher.press(' ');
    expect(ran).toEqual(['b', ' ']);
  });

  test('a burst that is no tag is acted on key by key: nothing is lost', () => {
    const { ran, dispatcher, type, pass } = setUp();
    type('12', 5);
    pass(200);
    expect(ran).toEqual(['1', '2']);
    type('xyz', 5);
    dispatcher.press('Enter');
    expect(ran).toEqual(['1', '2', 'x', 'y', 'z', 'Enter']);
  });
});

describe('KeyRegistry', () => {
  test('an open choice without a key of its own still keeps those below it from being pressed', () => {
    const registry = new KeyRegistry();
    const leave = jest.fn();
    registry.add({ key: 'Escape', label: 'Leave', layer: 0, run: leave });
    const close = registry.openLayer(1);
    expect([registry.run('Escape'), registry.live()]).toEqual([false, []]);
    const closeSecond = registry.openLayer(1);
    close();
    expect(registry.run('Escape')).toBe(false);
    closeSecond();
    expect(registry.run('Escape')).toBe(true);
    expect(leave).toHaveBeenCalledTimes(1);
  });

  test('an open choice has the keys to itself, and gives them back', () => {
    const ran: string[] = [];
    const registry = new KeyRegistry();
    registry.add({ key: '1', label: 'Starts', layer: 0, run: () => ran.push('starts') });
    registry.add({ key: ' ', label: 'Build it', layer: 0, run: () => ran.push('build') });
    const close = registry.add({ key: '1', label: 'Field 1', layer: 1, run: () => ran.push('field') });
    expect([registry.run('1'), registry.run(' ')]).toEqual([true, false]);
    close();
    expect([registry.run('1'), registry.run(' ')]).toEqual([true, true]);
    expect(ran).toEqual(['field', 'starts', 'build']);
  });
});
