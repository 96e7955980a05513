export interface KeyBinding {
  readonly key: string;
  readonly label: string;
  /** Only the bindings of the highest layer are live. */
  readonly layer: number;
  readonly run: () => void;
}

/** The keys that are bound now. Later bindings of the same key win. */
export class KeyRegistry {
  private readonly bindings = new Set<KeyBinding>();
  private readonly layers: number[] = [];
  private readonly takers = new Set<(code: string) => void>();
  private readonly tagTakers = new Set<(tag: string) => boolean>();
  private readonly listeners = new Set<() => void>();

  /** Tells whenever what is bound changes. @returns stops telling */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  /** What the pedal does now; nothing while a choice is open, which has its own buttons. */
  readonly pedal = (): KeyBinding | null =>
    this.top() === 0 ? (this.live().find(({ key }) => key === ' ') ?? null) : null;

  /** @returns takes the binding away again */
  add(binding: KeyBinding): () => void {
    this.bindings.add(binding);
    this.tell();
    return () => {
      this.bindings.delete(binding);
      this.tell();
    };
  }

  /**
   * A choice is open, whether or not it binds a key: what lies below it is not reached.
   *
   * @returns closes it again
   */
  openLayer(layer: number): () => void {
    this.layers.push(layer);
    this.tell();
    return () => {
      this.layers.splice(this.layers.indexOf(layer), 1);
      this.tell();
    };
  }

  /** Bindings that act now, in the order in which they were bound. */
  live(): readonly KeyBinding[] {
    const top = this.top();
    const byKey = new Map<string, KeyBinding>();
    for (const binding of this.bindings) if (binding.layer === top) byKey.set(binding.key, binding);
    return [...byKey.values()];
  }

  /** @returns stops taking codes */
  takeCodes(take: (code: string) => void): () => void {
    this.takers.add(take);
    return () => void this.takers.delete(take);
  }

  /** Gives a scanned code to who asked for codes last; false when nobody did. */
  scanCode(code: string): boolean {
    const take = [...this.takers].at(-1);
    take?.(code);
    return take !== undefined;
  }

  /** @returns stops taking tags */
  takeTags(take: (tag: string) => boolean): () => void {
    this.tagTakers.add(take);
    return () => void this.tagTakers.delete(take);
  }

  /** Gives a scanned tag to who asked for tags last; false when nobody did, or it is nothing to them. */
  scanTag(tag: string): boolean {
    return [...this.tagTakers].at(-1)?.(tag) ?? false;
  }

  has(key: string): boolean {
    return this.live().some((binding) => binding.key === key);
  }

  run(key: string): boolean {
    const binding = this.live().find((candidate) => candidate.key === key);
    binding?.run();
    return binding !== undefined;
  }

  private top(): number {
    return Math.max(0, ...this.layers, ...[...this.bindings].map(({ layer }) => layer));
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}
