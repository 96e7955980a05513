import { slotNeeds } from '@/core/sale/slots';
import { lineStages } from '@/core/entities/stages';
import { latestFacts } from '@/data/facts/latestFacts';
import { passedStages } from '@/data/flow/passedStages';
import { plantedHabit } from '../../scripts/demo/decisions';
import { demoDay, demoScratch, type Scratch } from '../../tests/support/scratch';
import type { ParcelRow, UnitRow } from '@/data/rows';
import { timedSteps } from '@/data/yields/timedSteps';
import { readBench } from './bench/readBench';
import { readSheets } from './bench/readSheets';
import { readDock } from './dock/readDock';
import { previewManifest } from './dock/previewManifest';
import { readGrade } from './grade/readGrade';
import { readLabels } from './labels/readLabels';
import { readMatch, readOffered } from './match/readMatch';
import { findModels } from './models/findModels';
import { readSignIn } from './people/readSignIn';
import { readProve } from './prove/readProve';
import { openShipment } from './send/openShipment';
import { readPackingList } from './send/readPackingList';
import { readSend } from './send/readSend';
import { plainQuery, shelfSorts, type ShelfQuery, type ShelfSort } from '@/core/shelf/shelfQuery';
import { partsAt } from '@/data/parts/partRepository';
import { shippedModels } from '../../tests/support/models';
import { readShelf } from './shelf/readShelf';
import { readShelfRows, rowsAtOnce } from './shelf/readShelfRows';
import { readLine } from './line/readLine';
import { readThing } from './things/readThing';
import { readScore, type JudgedRow } from './triage/readScore';
import { insertModel, newestModels } from '@/data/models/modelRepository';
import { catchUp } from '@/data/tallies/catchUp';
import { phone } from '../../tests/support/models';
import { mostDocuments, readDocument, readTriage } from './triage/readTriage';

/** What each screen reads of the demo workshop. The demo is the same every time, but for its dates. */
let scratch: Scratch;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
}, 120_000);
afterAll(() => scratch.drop());

describe('what the screens read', () => {
  test('the line counts what lies at every stage', async () => {
    const { states } = await readLine(scratch.db, now, 'bench-1');
    expect(states.map(({ stage }) => stage)).toEqual(lineStages);
    const count = (stage: string) => states.find((state) => state.stage === stage)?.count;
    expect(count('dock')).toBe(2);
    expect(count('triage')).toBe((await readTriage(scratch.db, 'nobody', now)).units.length);
    expect(count('grade')).toBe((await readGrade(scratch.db, new Date(), '')).parts.length);
    expect(count('match')).toBe((await readMatch(scratch.db, new Date())).units.length);
    expect(count('send')).toBe((await readSend(scratch.db, new Date())).ready.length);
    const shelf = await readShelf(scratch.db, plainQuery, new Date());
    expect(count('shelf')).toBe(shelf.total + shelf.counts.reserved + shelf.toShelve.length);
    const passed = await passedStages(scratch.db, new Date(0));
    expect(passed.send).toBe(await countRows('units', { stage: 'sent' }));
  });

  test('Dock: a parcel with its price, what is in the box still, and what was tagged last', async () => {
    const { parcels } = await readDock(scratch.db, undefined);
    const autumn = parcels.find(({ parcel }) => parcel.code === 'Ferry line, autumn lot');
    const { open } = await readDock(scratch.db, autumn?.parcel.id);
    expect(open?.lines.map(({ lineNo }) => lineNo)).toEqual([25, 26]);
    expect(open?.units.map(({ tag }) => tag)).toEqual(
      [...(open?.units ?? [])]
        .map(({ tag }) => tag)
        .sort()
        .reverse(),
    );
    expect([autumn?.tagged, autumn?.parcel.lineCount, autumn?.parcel.pricePaidCents]).toEqual([24, 26, 86_000]);
    // One that is not there opens the newest instead.
    expect((await readDock(scratch.db, 'nowhere')).open?.parcel.id).toBe(autumn?.parcel.id);
  });

  test('Dock: serials that are already in the shop are a question', async () => {
    const [unit] = (await scratch.db('units').whereNotNull('serial').whereNot('stage', 'sent').limit(1)) as {
      serial: string;
    }[];
    const preview = await previewManifest(
      scratch.db,
      new TextEncoder().encode(`maker,model,serial\nOddkin,Lantern 5,${unit?.serial}\nOddkin,Lantern 5,NEW`),
    );
    expect(preview).toMatchObject({
      ok: true,
      value: {
        read: {
          ok: true,
          value: {
            lines: [{ serial: 'NEW' }],
            badRows: [
              { fileLine: 2, problem: { code: 'intake.unitWithSerialAlreadyIn', values: { serial: unit?.serial } } },
            ],
          },
        },
      },
    });
  });

  test('Triage: each unit with what the list promised, and ranges for every part that was sought', async () => {
    const view = await readTriage(scratch.db, 'nobody', now);
    expect(view.units.length).toBe(4);
    for (const unit of view.units)
      expect(view.lines[unit.id]).toMatchObject({ parcelId: unit.parcelId, lineNo: unit.lineNo });
    const ranges = Object.values(view.knowledge.yields).flatMap((parts) => Object.values(parts));
    expect(ranges.length).toBeGreaterThan(20);
    for (const { low, share, high } of ranges) expect(low <= share && share <= high).toBe(true);
  });

  test('Triage: a serial that was sent before is a return, and says under which tag', async () => {
    const sent = (await scratch.db('units').where({ stage: 'sent' }).whereNotNull('serial').first()) as {
      serial: string;
      tag: string;
    };
    const [waiting] = (await readTriage(scratch.db, 'nobody', now)).units;
    const own = (await scratch.db('units').where({ id: waiting?.id }).first('serial')) as { serial: string | null };
    await scratch.db('units').where({ id: waiting?.id }).update({ serial: sent.serial });
    expect((await readTriage(scratch.db, 'nobody', now)).returns).toEqual({ [sent.serial]: sent.tag });
    await scratch.db('units').where({ id: waiting?.id }).update({ serial: own.serial });
    expect((await readTriage(scratch.db, 'nobody', now)).returns).toEqual({});
  });

  test('Triage: the score is counted from every decision, and judges what is over', async () => {
    const score = await readScore(scratch.db, now);
    const decided = Number(
      ((await scratch.db('units').whereNotNull('disposition').count({ n: '*' }).first()) as { n: number }).n,
    );
    expect(score.decided).toBe(decided);
    expect(score.followed).toBeLessThanOrEqual(decided);
    expect(score.judged.length).toBeGreaterThan(10);
    expect(score.held).toBe(score.judged.filter(({ isHeld }) => isHeld).length);
    for (const { chosen, expected } of score.judged) expect(expected.disposition).toBe(chosen);
  });

  test('Triage: the record finds the one mistake that the house makes again and again, and no other', async () => {
    const { habits, judged, decided, followed } = await readScore(scratch.db, now);
    const model = (await newestModels(scratch.db)).find(({ id }) => id === plantedHabit.model);
    expect(habits.map(({ of, proposed, chosen }) => [of, proposed, chosen])).toEqual([
      [{ name: model?.name, fault: plantedHabit.fault }, 'build', plantedHabit.chosen],
    ]);
    const [habit] = habits;
    // By plain arithmetic: what these donors brought beyond what building was expected to, less the same of builds.
    const mean = (all: readonly JudgedRow[]) => all.reduce((sum, { byCents }) => sum + byCents, 0) / all.length;
    const builds = judged.filter(({ proposed, chosen }) => proposed === 'build' && chosen === 'build');
    const own = judged.filter(({ tag }) => habit?.tags.includes(tag));
    expect(habit?.cents).toBe(Math.round(mean(own) - mean(builds)));
    expect(habit?.highCents).toBeLessThan(0);
    // Beside that people follow the proposals about as real ones would.
    const others = decided - own.length;
    expect(followed / others).toBeGreaterThan(0.75);
    expect(followed).toBeLessThan(others);
  });

  test('the demo’s people: one works on a unit’s sheet alone, and nobody on two at a time', async () => {
    const steps = (await scratch.db('facts').where({ type: 'step-done' }).orderBy('position')) as {
      unit_id: string;
      person_id: string;
    }[];
    const sheets = new Set(steps.map(({ unit_id: unit, person_id: person }) => `${unit} ${person}`));
    const units = new Set(steps.map(({ unit_id: unit }) => unit));
    // A unit has a sheet out, or one for its rebuild: somebody else may have that one, never both at once.
    expect(sheets.size).toBe(units.size);
    const turns = steps.filter(({ unit_id: unit }, at) => unit !== steps[at - 1]?.unit_id);
    expect(turns.length).toBe(units.size);
    expect(new Set(steps.map(({ person_id: person }) => person)).size).toBeGreaterThan(3);
  });

  test('Bench: the lists put what is under way first, with what is left of it', async () => {
    for (const kind of ['teardown', 'rebuild'] as const) {
      const sheets = await readSheets(scratch.db, kind, new Date());
      expect(sheets.length).toBeGreaterThan(0);
      expect(sheets.map(({ done }) => done)).toEqual(sheets.map(({ done }) => done).sort((a, b) => b - a));
      for (const { minutesLeft, steps, done, wanted } of sheets) {
        expect(minutesLeft.low).toBeLessThanOrEqual(minutesLeft.high);
        expect(done).toBeLessThan(steps);
        expect(wanted.length).toBeGreaterThan(0);
      }
      const [first] = sheets;
      const bench = await readBench(scratch.db, first?.unit.tag ?? '', crypto.randomUUID(), new Date());
      expect(bench?.model.name).toBe(first?.modelName.split(' ').slice(1).join(' '));
      const related = bench?.parts.every((part) => part.unitId === bench.unit.id || part.assignedTo === bench.unit.id);
      expect(related).toBe(true);
    }
    expect(await readBench(scratch.db, 'U-9999', crypto.randomUUID(), new Date())).toBeUndefined();
  });

  test('Bench: the times of a step are the latest forty that stand, however they are read', async () => {
    const rows = (await scratch.db('facts').where({ type: 'step-done' }).orderBy('position', 'desc')) as {
      id: string;
      model_id: string;
      payload: string | { stepId: string; seconds: number; isCensored?: boolean };
    }[];
    const undone = new Set((await scratch.db('facts').whereNotNull('undoes').pluck('undoes')) as string[]);
    const modelId = rows[0]?.model_id as string;
    const wanted: Record<string, { seconds: number; isCensored: boolean }[]> = {};
    for (const { id, model_id: model, payload } of rows) {
      if (model !== modelId || undone.has(id)) continue;
      const { stepId, seconds, isCensored } = typeof payload === 'string' ? JSON.parse(payload) : payload;
      const times = (wanted[stepId.split('~')[0]] ??= []);
      if (times.length < 40 && seconds > 0) times.push({ seconds, isCensored: isCensored === true });
    }
    const sorted = (times: Readonly<Record<string, readonly { seconds: number }[]>>) =>
      Object.entries(times)
        .map(([step, spans]) => [step, [...spans].sort((a, b) => a.seconds - b.seconds)] as const)
        .sort(([a], [b]) => a.localeCompare(b));
    expect(Object.keys(wanted).length).toBeGreaterThan(5);
    expect(sorted(await timedSteps(scratch.db, modelId))).toEqual(sorted(wanted));
  });

  test('Shelf: every part that waits has a bin, rows follow one another, and words narrow', async () => {
    const first = await readShelf(scratch.db, plainQuery, new Date());
    for (const { part, bin } of first.toShelve) expect(bin !== null).toBe(part.isDataCleared);
    expect(first.parts.length).toBe(rowsAtOnce);
    const rest = await readShelfRows(scratch.db, plainQuery, rowsAtOnce, new Date());
    const ids = [...first.parts, ...rest.parts].map(({ id }) => id);
    expect(new Set(ids).size).toBe(first.total);
    expect([first.total, rest.total]).toEqual([first.counts.shelf, first.total]);
    const displays = await readShelf(scratch.db, { ...plainQuery, words: 'display' }, new Date());
    expect(displays.total).toBe(await countRows('parts', { place: 'shelf', category: 'display' }));
    const beyond = await readShelfRows(scratch.db, plainQuery, 10_000_000, new Date());
    expect([beyond.parts.length, beyond.total]).toEqual([0, first.total]);
  });

  test('Shelf: every order and every filter gives what sorting and filtering all parts by hand gives', async () => {
    const lying = (await partsAt(scratch.db, ['shelf'])).map((part) => ({ ...part, no: Number(part.tag.slice(2)) }));
    const text = (value: string | null | undefined) => value ?? '';
    type Lying = (typeof lying)[number];
    const by: Readonly<Record<ShelfSort, (part: Lying) => readonly (string | number)[]>> = {
      bin: ({ bin, no }) => [text(bin), no],
      kind: ({ category, partRef, modelId, grade, no }) => [category, partRef, modelId, text(grade), no],
      grade: ({ grade, category, partRef, no }) => [text(grade), category, partRef, no],
      age: ({ storedAt, no }) => [text(storedAt), no],
    };
    const compare = (sort: ShelfSort) => (one: Lying, other: Lying) => {
      const [a, b] = [by[sort](one), by[sort](other)];
      const at = a.findIndex((value, index) => value !== b[index]);
      return at < 0 ? 0 : (a[at] as string) < (b[at] as string) ? -1 : 1;
    };
    const classes = new Set(
      shippedModels.find(({ id }) => id === 'brinewell-reed-2')?.parts.map((part) => part.interchange),
    );
    const filters: readonly (readonly [Partial<ShelfQuery>, (part: Lying) => boolean])[] = [
      [{}, () => true],
      [{ category: 'battery' }, ({ category }) => category === 'battery'],
      [{ grade: 'B' }, ({ grade }) => grade === 'B'],
      [{ fits: 'brinewell-reed-2' }, ({ interchange }) => classes.has(interchange)],
      [{ bin: 'A' }, ({ bin }) => /^A\d/.test(text(bin))],
      [{ bin: 'B02', words: 'b' }, ({ bin, grade }) => bin === 'B02' && grade === 'B'],
      [{ fits: 'nobody-knows-it' }, () => false],
    ];
    for (const sort of shelfSorts)
      for (const isDown of [false, true])
        for (const [more, isShown] of filters) {
          const { parts, total } = await readShelfRows(scratch.db, { ...plainQuery, sort, isDown, ...more }, 0, now);
          const wanted = lying.filter(isShown).sort(compare(sort));
          if (isDown) wanted.reverse();
          expect(parts.map(({ tag }) => tag)).toEqual(wanted.slice(0, rowsAtOnce).map(({ tag }) => tag));
          expect(total).toBe(wanted.length);
          // The rest is read from its end.
          const query = { ...plainQuery, sort, isDown, ...more };
          for (const from of [Math.floor(total / 2) + 1, rowsAtOnce, total, total + 40]) {
            const later = await readShelfRows(scratch.db, query, from, now, total);
            expect(later.parts.map(({ tag }) => tag)).toEqual(
              wanted.slice(from, from + rowsAtOnce).map(({ tag }) => tag),
            );
          }
        }
  });

  test('Match: the parts that are read are those that some slot could take', async () => {
    const { units, models, parts } = await readMatch(scratch.db, new Date());
    const classes = new Set(
      units.flatMap((unit) => {
        const model = models.find(({ id }) => id === unit.modelId);
        return model ? slotNeeds(model, unit).map(({ part }) => part.interchange) : [];
      }),
    );
    expect(parts.length).toBeGreaterThan(10);
    expect(parts.every(({ interchange, assignedTo }) => classes.has(interchange) || assignedTo !== null)).toBe(true);
  });

  test('Prove and Send: units with the parts that went in, and prices that follow from their grades', async () => {
    const prove = await readProve(scratch.db, new Date());
    expect(prove.units.length).toBe(3);
    const { ready, shipments, lastRecipient } = await readSend(scratch.db, new Date());
    expect(lastRecipient).toBe('Harbour Row shop');
    for (const { unit, priceCents } of ready) {
      expect(unit.saleGrade).not.toBeNull();
      expect(priceCents).toBeGreaterThan(0);
    }
    expect(shipments.map(({ shipment }) => shipment)).toContain('S-0010');
    const list = await readPackingList(scratch.db, 'S-0010');
    expect(list).toMatchObject({ shipment: 'S-0010', recipient: 'Harbour Row shop', from: 'Gullwharf Renewal' });
    expect(list?.lines.length).toBe(shipments.find(({ shipment }) => shipment === 'S-0010')?.units);
    for (const line of list?.lines ?? [])
      expect([line.serial.length > 0, line.statement.startsWith('Data wiped.')]).toEqual([true, true]);
    expect(await readPackingList(scratch.db, 'S-9999')).toBeUndefined();
  });

  test('two shipments opened at once have two tags', async () => {
    const opened = await Promise.all(Array.from({ length: 5 }, () => openShipment(scratch.db)));
    expect(new Set(opened.map((outcome) => outcome.ok && outcome.value)).size).toBe(5);
  });

  test('a tag tells its thing’s whole story, newest first', async () => {
    const [sent] = (await scratch.db('units').where({ stage: 'sent', disposition: 'build' }).limit(1)) as {
      tag: string;
      id: string;
    }[];
    const unit = await readThing(scratch.db, sent?.tag.toLowerCase().replace('-', '') ?? '', now);
    if (unit?.kind !== 'unit') throw new Error('a unit is a unit');
    expect(unit.facts.map(({ type }) => type)).toContain('unit-sent');
    expect(unit.facts.at(-1)?.type).toBe('unit-tagged');
    const positions = unit.facts.map(({ position }) => position);
    expect(positions).toEqual([...positions].sort((a, b) => b - a));
    const [stored] = (await scratch.db('parts').where({ place: 'shelf' }).limit(1)) as { tag: string; bin: string }[];
    const part = await readThing(scratch.db, stored?.tag ?? '', now);
    if (part?.kind !== 'part') throw new Error('a part is a part');
    expect(part.facts.map(({ type }) => type)).toEqual(['part-shelved', 'part-graded', 'step-done']);
    expect(await readThing(scratch.db, 'S-0010', now)).toMatchObject({ kind: 'shipment' });
    for (const nothing of ['U-9999', 'P-99999', 'S-9999', 'nonsense'])
      expect(await readThing(scratch.db, nothing, now)).toBeUndefined();
  });

  test('what the units of a parcel were bought for is what was paid for it, to the cent', async () => {
    const [parcel] = (await scratch.db('parcels').where({ code: 'Library, summer lot' })) as ParcelRow[];
    const rows = (await scratch.db('units').where({ parcel_id: parcel?.id })) as UnitRow[];
    expect(rows.length).toBeGreaterThan(30);
    let bought = 0;
    for (const { tag } of rows) {
      const thing = await readThing(scratch.db, tag, now);
      if (thing?.kind !== 'unit' || !thing.money) throw new Error(tag);
      bought += thing.money.boughtCents;
      const isOut = thing.unit.stage === 'sent' || thing.unit.stage === 'send';
      expect([tag, thing.money.saleCents !== null]).toEqual([tag, isOut]);
    }
    expect(bought).toBe((parcel?.price_paid_cents ?? 0) + (parcel?.transport_cents ?? 0));
  });

  test('labels say what a thing is and where it stands', async () => {
    const [stored] = (await scratch.db('parts').where({ place: 'shelf', grade: 'B' }).limit(1)) as {
      tag: string;
      bin: string;
    }[];
    expect(await readLabels(scratch.db, stored?.tag ?? '', new Date())).toMatchObject({
      labels: [{ tag: stored?.tag, fact: `grade B · bin ${stored?.bin}` }],
      paper: { widthMm: 70, heightMm: 36 },
    });
    const [fresh] = (await scratch.db('units').whereNull('model_id').limit(1)) as { tag: string }[];
    expect(await readLabels(scratch.db, fresh?.tag ?? '', new Date())).toMatchObject({
      labels: [{ title: 'model not known', fact: 'serial not read' }],
    });
    for (const none of ['S-0010', 'BIN-Z', 'BIN-A99'])
      expect(await readLabels(scratch.db, none, new Date())).toBeUndefined();
    expect(await readLabels(scratch.db, 'BIN-A07', new Date())).toMatchObject({
      labels: [{ tag: 'A07', code: 'BIN-A07', title: 'any part', fact: 'row 2, box 2, for 12' }],
    });
    const rack = await readLabels(scratch.db, 'BIN-B', new Date());
    expect(rack?.labels.map(({ code }) => code).slice(0, 3)).toEqual(['BIN-B', 'BIN-B01', 'BIN-B02']);
    expect(rack?.labels.length).toBe(16);
  });

  test('the library and the sign-in list', async () => {
    const library = await findModels(scratch.db, { text: 'quay' });
    expect(library.cards.map(({ name }) => name)).toEqual(['Slate Quay', 'Twofold Quay']);
    expect([library.found, library.total]).toEqual([2, 12]);
    const { people, benches } = await readSignIn(scratch.db);
    expect([people.length, benches.length]).toEqual([7, 4]);
    expect(JSON.stringify(people)).not.toContain('argon2');
  });

  test('the latest facts leave lists out and mark what was taken back', async () => {
    const facts = await latestFacts(scratch.db, 20);
    expect(facts).toHaveLength(20);
    expect(facts.some(({ type }) => type === 'lines-expected')).toBe(false);
    expect(facts.every(({ person, isUndone }) => person !== '' && !isUndone)).toBe(true);
  });

  async function countRows(table: string, where: object): Promise<number> {
    return ((await scratch.db(table).where(where).count({ n: '*' }).first()) as { n: number }).n;
  }
});

/** Last, since it adds to the shop: the same phone under many names, with one unit of each at a stage. */
describe('what the screens read where there are many models', () => {
  const count = 12;
  const named = (at: number) => `copy-of-phone-${at}`;
  beforeAll(async () => {
    const publication = { at: now, note: '', by: '' };
    for (let at = 0; at < count; at += 1)
      await insertModel(scratch.db, { ...phone, id: named(at), name: `Copy ${at}`, version: 1 }, publication);
    for (const [stage, from] of [
      ['triage', 0],
      ['match', 100],
    ] as const) {
      const whole = (await scratch.db('units').where({ model_id: phone.id, stage: 'match' }).first()) as UnitRow;
      const row = Object.fromEntries(
        Object.entries(whole)
          .filter(([column]) => !['words', 'tag_no', 'timer_on'].includes(column))
          .map(([column, value]) => [
            column,
            value !== null && typeof value === 'object' && !(value instanceof Date) ? JSON.stringify(value) : value,
          ]),
      );
      for (let at = 0; at < count; at += 1)
        await scratch.db('units').insert({
          ...row,
          id: crypto.randomUUID(),
          tag: `U-${80_000 + from + at}`,
          stage,
          model_id: named(at),
          model_version: 1,
          line_no: null,
          serial: null,
          assigned: '{}',
          fitted: '{}',
        });
    }
    await catchUp(scratch.db);
  });

  test('Triage: the documents of the units that come first, the one that is asked for before all; others by themselves', async () => {
    const first = await readTriage(scratch.db, 'nobody', now);
    expect(first.models).toHaveLength(mostDocuments);
    expect(first.units.length).toBeGreaterThanOrEqual(count + 4);
    const asked = `U-${80_000 + count - 1}`;
    const view = await readTriage(scratch.db, 'nobody', now, asked);
    expect(view.models[0]?.id).toBe(named(count - 1));
    // What is known comes with its model: of the phone itself there is much, of copies of it nothing.
    expect(Object.keys(view.knowledge.yields).every((id) => view.models.some((model) => model.id === id))).toBe(true);
    const own = await readDocument(scratch.db, phone.id, phone.version, now);
    expect(own?.model.operations.length).toBe(phone.operations.length);
    expect(Object.keys(own?.knowledge.yields ?? {})).toEqual([phone.id]);
    expect(Object.keys(own?.knowledge.yields[phone.id] ?? {}).length).toBeGreaterThan(3);
    expect(await readDocument(scratch.db, phone.id, 99, now)).toBeUndefined();
    expect(await readDocument(scratch.db, 'no-such', 1, now)).toBeUndefined();
  });

  test('Match: every unit with its model in outline, the one that is asked for with its whole model and parts', async () => {
    const asked = `U-${80_100 + 3}`;
    const view = await readMatch(scratch.db, now, asked);
    expect(view.offered).toBe(asked);
    const whole = view.models.filter(({ operations }) => operations.length > 0);
    expect(whole.map(({ id }) => id)).toEqual([named(3)]);
    for (const unit of view.units.filter(({ tag }) => tag >= 'U-80100' && tag < 'U-80112')) {
      const model = view.models.find(({ id }) => id === unit.modelId);
      expect(model && slotNeeds(model, unit).length).toBe(slotNeeds(phone, unit).length);
    }
    const other = await readOffered(scratch.db, `U-${80_100 + 5}`, now);
    expect(other.models).toMatchObject([
      { id: named(5), operations: expect.arrayContaining([expect.anything()]) as never },
    ]);
    expect(other.parts.length).toBeGreaterThan(0);
    expect(await readOffered(scratch.db, 'U-1', now)).toEqual({ parts: [], models: [] });
  });
});
