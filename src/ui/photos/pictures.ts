import { useSyncExternalStore } from 'react';
import { browserLetters } from '@/ui/server/browserKeeps';
import { emptyOutbox, Outbox, oneByOne, type Letter, type OutboxState } from '@/ui/server/outbox';
import { send } from '@/ui/server/send';

/** A picture that the server is to have; the fact that speaks of it goes its own way. */
export interface Picture extends Letter {
  readonly unitId: string;
  readonly jpeg: Blob;
}

export const picturePath = ({ id, unitId }: Pick<Picture, 'id' | 'unitId'>): string =>
  `/api/units/${unitId}/photos/${id}`;

/** Pictures of this browser on their way: kept over steps, screens and reloads until the server has them. */
class Pictures {
  private state: OutboxState<Picture> = emptyOutbox;
  private readonly listeners = new Set<() => void>();
  /** What is shown while a picture is still here. */
  private readonly addresses = new Map<string, string>();
  private readonly outbox = new Outbox<Picture, unknown>({
    store: browserLetters('pictures'),
    later: (work, ms) => void setTimeout(work, ms),
    onAnswer: () => undefined,
    onState: (state) => this.tell(state),
    ...oneByOne((picture) => send('PUT', picturePath(picture), picture.jpeg)),
  });

  constructor() {
    window.addEventListener('online', () => void this.outbox.flush());
    void this.outbox.resume();
  }

  /** A picture that was rejected is tried again. */
  add(picture: Picture): void {
    this.outbox.add(picture);
  }

  addressOf(id: string): string | undefined {
    return this.addresses.get(id);
  }

  readonly now = (): OutboxState<Picture> => this.state;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  private tell(state: OutboxState<Picture>): void {
    const here = [...state.waiting, ...state.rejected.map(({ letter }) => letter)];
    for (const { id, jpeg } of here) if (!this.addresses.has(id)) this.addresses.set(id, URL.createObjectURL(jpeg));
    for (const [id, address] of this.addresses) {
      if (here.some((picture) => picture.id === id)) continue;
      URL.revokeObjectURL(address);
      this.addresses.delete(id);
    }
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

let started: Pictures | undefined;
/** They are there once a screen asks; what an earlier page left is sent then. */
export const pictures = (): Pictures => (started ??= new Pictures());

const idle = () => () => undefined;

/** The pictures on their way, and where each picture can be looked at now. */
export function usePictures(): OutboxState<Picture> & {
  readonly sourceOf: (picture: Pick<Picture, 'id' | 'unitId'>) => string;
} {
  const isServer = typeof window === 'undefined';
  const state = useSyncExternalStore(
    isServer ? idle : pictures().subscribe,
    isServer ? () => emptyOutbox : pictures().now,
    () => emptyOutbox,
  );
  return {
    ...state,
    sourceOf: (picture) => (isServer ? undefined : pictures().addressOf(picture.id)) ?? picturePath(picture),
  };
}
