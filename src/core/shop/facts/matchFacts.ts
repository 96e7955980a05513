import { accept, refuse } from '@/core/shared/outcome';
import { stocked } from '@/core/entities/stages';
import { aloneIn, strangeTo } from '@/core/sale/boundParts';
import { getModelPart } from '@/core/procedure/model';
import { fitsSlot, slotNeeds } from '@/core/sale/slots';
import { identifiedIn, unitIn } from '../findUnit';
import { define, on, type Nothing } from '../define';
import { partChange, unitChange } from '../world';

/** Match: shelf parts are set aside for the slots of a unit that is to be built. */
export const matchFacts = {
  'part-assigned': define<{ readonly slot: string; readonly partId: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    involves: ({ partId }) => ({ keys: [{ kind: 'part', id: partId }] }),
    effect: on(identifiedIn('match'), ({ unit, model }, { payload: { slot, partId } }, world) => {
      const part = world.find('part', partId);
      if (!part) return refuse('not-found', { id: partId });
      if (part.place === 'reserved' && part.reservedFor !== unit.tag)
        return refuse('part-reserved', { tag: part.tag, for: part.reservedFor ?? '' });
      if (!stocked.includes(part.place) || unit.assigned[slot] !== undefined)
        return refuse('part-taken', { tag: part.tag });
      if (!fitsSlot(model, slot, part)) return refuse('not-interchangeable', { tag: part.tag, slot });
      const stranger = strangeTo(model, unit, slot, part, (id) => world.find('part', id));
      if (stranger) return refuse('bound-elsewhere', { tag: part.tag, other: stranger.tag });
      const { reservedFor: _, ...free } = part;
      return accept([
        unitChange(unit, { ...unit, assigned: { ...unit.assigned, [slot]: partId } }),
        partChange(part, { ...free, place: 'assigned', assignedTo: unit.id }),
      ]);
    }),
  }),

  'part-released': define<{ readonly slot: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('match'), (unit, { payload: { slot } }, world) => {
      const { [slot]: partId, ...rest } = unit.assigned;
      const part = partId === undefined ? undefined : world.find('part', partId);
      if (!part) return refuse('not-found', { id: slot });
      return accept([
        unitChange(unit, { ...unit, assigned: rest }),
        // Fetched already, it waits for a bin again.
        partChange(part, { ...part, place: part.bin === null ? 'to-shelve' : 'shelf', assignedTo: null }),
      ]);
    }),
  }),

  /** Parts of a donor that other units get once they are out; what was promised of it before is over. */
  'parts-promised': define<{ readonly parts: readonly { readonly part: string; readonly for: string }[] }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(identifiedIn('teardown'), ({ unit, model }, { payload: { parts } }) => {
      const stranger = parts.find(({ part }) => !model.parts.some(({ id }) => id === part));
      if (stranger) return refuse('not-found', { id: stranger.part });
      const promised = Object.fromEntries(parts.map((own) => [own.part, own.for]));
      return accept([unitChange(unit, { ...unit, promised })]);
    }),
  }),

  'unit-matched': define<Nothing>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(identifiedIn('match'), ({ unit, model }) => {
      const open = slotNeeds(model, unit).filter(({ part, isNeeded }) => isNeeded && !unit.assigned[part.id]);
      const [first] = open;
      if (first) return refuse('slots-open', { tag: unit.tag, slot: first.part.name, count: open.length });
      const alone = aloneIn(model, unit);
      if (alone) {
        const [slot, partner] = [alone.slot, alone.partner].map((id) => getModelPart(model, id).name);
        return refuse('bound-alone', { tag: unit.tag, slot, partner });
      }
      const stage = Object.keys(unit.assigned).length > 0 ? 'rebuild' : 'prove';
      return accept([unitChange(unit, { ...unit, stage })]);
    }),
  }),
};
