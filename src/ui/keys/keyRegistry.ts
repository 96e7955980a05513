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

  /** @returns takes the binding away again */
  add(binding: KeyBinding): () => void {
    this.bindings.add(binding);
    return () => void this.bindings.delete(binding);
  }

  /**
   * A choice is open, whether or not it binds a key: what lies below it is not reached.
   *
   * @returns closes it again
   */
  openLayer(layer: number): () => void {
    this.layers.push(layer);
    return () => void this.layers.splice(this.layers.indexOf(layer), 1);
  }

  /** Bindings that act now, in the order in which they were bound. */
  live(): readonly KeyBinding[] {
    const top = Math.max(0, ...this.layers, ...[...this.bindings].map(({ layer }) => layer));
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

  has(key: string): boolean {
    return this.live().some((binding) => binding.key === key);
  }

  run(key: string): boolean {
    const binding = this.live().find((candidate) => candidate.key === key);
    binding?.run();
    return binding !== undefined;
  }
}
