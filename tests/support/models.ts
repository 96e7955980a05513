import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { modelFormat, type Model } from '@/core/procedure/model';
import type { Arc, Operation, WayBack } from '@/core/procedure/operations';
import type { ModelPart } from '@/core/procedure/parts';

const read = (id: string): Model =>
  JSON.parse(readFileSync(join(__dirname, '../../data/models', `${id}.json`), 'utf8')) as Model;

/** The models that ship with the application. */
export const shippedModels: readonly Model[] = readdirSync(join(__dirname, '../../data/models'))
  .sort()
  .map((file) => read(file.replace('.json', '')));
const shipped = (id: string) => shippedModels.find((model) => model.id === id) as Model;
/** Two devices as somebody wrote them with the editor alone (`unknownDevices.ts`): the rules hold for them as well. */
export const writtenModels: readonly Model[] = readdirSync(join(__dirname, 'written')).map(
  (file) => JSON.parse(readFileSync(join(__dirname, 'written', file), 'utf8')) as Model,
);

export const phone = shipped('oddkin-lantern-5');
export const laptop = shipped('marrowby-slate-quay');
export const handset = shipped('brinewell-reed-2');

/** An operation with everything that a test does not care about filled in. */
export function operation(id: string, given: Partial<Operation> = {}): Operation {
  return {
    id,
    title: `Do ${id}`,
    detail: '',
    face: 'top',
    tool: 'Hands',
    opens: [],
    frees: [],
    after: [],
    minutes: { low: 1, likely: 1, high: 1 },
    cautions: [],
    back: null,
    ...given,
  };
}

export const after = (...any: string[]): Arc => ({
  any,
  reason: 'physical',
  because: `${any.join(' or ')} is in the way.`,
});

/** A way back with nothing special about it. */
export const back = (given: Partial<WayBack> = {}): WayBack => ({
  title: 'Put it back',
  detail: '',
  tool: 'Hands',
  minutes: { low: 1, likely: 1, high: 1 },
  consumables: [],
  ...given,
});

/** A small part of a category. */
export const smallPart = (id: string, category: ModelPart['category'], given: Partial<ModelPart> = {}): ModelPart => ({
  id,
  name: id,
  aliases: [],
  category,
  interchange: id,
  slot: 'functional',
  valueCents: { A: 400, B: 300, C: 200, D: 100 },
  ...given,
});

/** A small sound model around some operations. */
export function smallModel(operations: readonly Operation[], given: Partial<Model> = {}): Model {
  const parts = [...new Set(operations.flatMap(({ frees }) => frees))].map((id) => smallPart(id, 'housing'));
  return {
    format: modelFormat,
    id: 'small',
    version: 1,
    maker: 'Fennick',
    name: 'Small',
    kind: 'handheld',
    letters: 'sm',
    aliases: [],
    revisions: [{ id: 'a', tell: 'none other' }],
    configurations: [{ id: 'standard', name: 'standard', absentParts: [] }],
    variants: [{ id: 'plain', name: 'plain', priceCents: 0 }],
    priceCents: { A: 4000, B: 3000, C: 2000, D: 1000 },
    tests: ['starts'],
    proofOfOff: 'It is off.',
    faces: [{ id: 'top', name: 'Top', widthMm: 50, heightMm: 100, cornerMm: 2, outlines: [], keepOut: [] }],
    parts,
    joints: [],
    operations,
    ...given,
  };
}
