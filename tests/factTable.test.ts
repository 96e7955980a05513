import { Chance } from '@/core/shared/chance';
import { startingHouseRules } from '@/core/shared/houseRules';
import { roles } from '@/core/people/roles';
import { applyFact } from '@/core/shop/applyFact';
import { definitions, factTypes, type Fact, type FactType } from '@/core/shop/facts';
import { involved } from '@/core/shop/involved';
import { MemoryWorld } from '@/core/shop/memoryWorld';
import { namedIn } from '@/core/shop/namedIn';
import { requestClasses } from '@/dto/facts/parseFact';
import { factSentences, sayFact } from '@/words/say/sayFact';
import { shippedModels } from './support/models';
import { RandomHistory } from './support/randomHistory';

const usualTries = 8000;
/** Some facts are rare: it goes on until there is one of each. */
const mostTries = 60_000;

/** Some accepted facts of every type, each with the model its unit stood at. */
function someOfEach(): ReadonlyMap<FactType, readonly Fact[]> {
  const world = new MemoryWorld(shippedModels, [startingHouseRules]);
  const history = new RandomHistory(world, shippedModels, new Chance(11));
  const seen = new Map<FactType, Fact[]>();
  for (let tries = 0; tries < usualTries || (tries < mostTries && seen.size < factTypes.length); tries += 1) {
    const fact = history.next();
    const outcome = applyFact(world, fact);
    if (!outcome.ok) continue;
    world.commit(fact, outcome.value);
    history.accepted(fact);
    seen.set(fact.type, [...(seen.get(fact.type) ?? []), fact]);
  }
  return seen;
}

const history = someOfEach();
const kinds = ['parcel', 'line', 'unit', 'part'];

describe.each(factTypes)('the fact %s', (type) => {
  const row = definitions[type];

  test('has a whole row: subject, who may say it, locks, effect', () => {
    expect(type === 'undone' ? [null] : kinds).toContain(row.subject);
    expect(roles).toContain(row.saidBy);
    expect(typeof row.effect).toBe('function');
    expect(typeof row.involves).toBe('function');
  });

  test('has a request class exactly when a browser may send it', () => {
    expect(requestClasses[type] !== null).toBe(row.isPosted);
  });

  test('makes its subject exactly when it expects none to be there, and locks what it looks at', () => {
    const facts = history.get(type) ?? [];
    expect(facts.length).toBeGreaterThan(0);
    for (const fact of facts) {
      if (type !== 'undone') expect([type, fact.expects === null]).toEqual([type, row.makesSubject]);
      if (row.subject) expect(involved(fact).keys).toContainEqual({ kind: row.subject, id: fact.subjectId });
    }
  });

  test('has a sentence of its own, in words: no code, no id, no hole', () => {
    expect(factSentences[type]).toBeDefined();
    for (const fact of (history.get(type) ?? []).slice(0, 40)) {
      for (const model of [shippedModels[0], undefined]) {
        const said = sayFact(fact, namedIn(model, fact.payload));
        expect(said.trim()).not.toBe('');
        expect(said).not.toMatch(/undefined|\[object|NaN|\{|\}/);
        expect(said).not.toContain(fact.subjectId);
      }
    }
  });
});

test('no two facts are said alike', () => {
  const said = factTypes.map((type) => {
    const [fact] = history.get(type) ?? [];
    return fact && sayFact(fact, {}).replace(/[\d:.]+/g, '');
  });
  expect(new Set(said).size).toBe(said.length);
});
