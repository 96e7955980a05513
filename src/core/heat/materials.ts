import type { HeatMaterial } from '@/core/procedure/vocabulary';
import type { HeatLayer } from './thermalNetwork';

interface Figures {
  /** J/(m³·K) */
  readonly heatCapacity: number;
  /** W/(m·K), across the layer */
  readonly conductivity: number;
}

/**
 * What layers are made of. Common engineering figures: density times specific heat, and conductivity across the layer.
 * Adhesive is a filled acrylic tape, a display a glass sandwich, a cell a wound pouch across its windings.
 */
const materials: Readonly<Record<HeatMaterial, Figures>> = {
  glass: { heatCapacity: 2.0e6, conductivity: 1.0 },
  plastic: { heatCapacity: 1.7e6, conductivity: 0.22 },
  aluminium: { heatCapacity: 2.4e6, conductivity: 160 },
  steel: { heatCapacity: 3.8e6, conductivity: 16 },
  display: { heatCapacity: 1.9e6, conductivity: 0.6 },
  adhesive: { heatCapacity: 1.9e6, conductivity: 0.18 },
  foam: { heatCapacity: 0.3e6, conductivity: 0.05 },
  air: { heatCapacity: 1.2e3, conductivity: 0.026 },
  graphite: { heatCapacity: 1.3e6, conductivity: 5 },
  cell: { heatCapacity: 2.4e6, conductivity: 0.6 },
};

export interface StackedLayer {
  readonly material: HeatMaterial;
  readonly mm: number;
}

/** To the room from the outermost layer, and from the innermost through the rest of the device, W/K for a square metre. */
const outerLoss = 5;
const innerLoss = 11;

/**
 * Layers of materials as a thermal network, each with its heat in its middle: between two middles half of either
 * conducts. Air keeps no heat worth counting, so it is a resistance between its neighbours.
 *
 * @param whole    from the outside in, at least one that is not air; millimetres
 * @param parts    into how many each layer is cut, by its place: the more, the nearer to what really goes on inside of it
 * @throws RangeError for layers that cannot be
 */
export function layersOf(whole: readonly StackedLayer[], parts: readonly number[] = []): readonly HeatLayer[] {
  const stacked = whole.flatMap(({ material, mm }, at): StackedLayer[] => {
    const count = material === 'air' ? 1 : (parts[at] ?? 1);
    return Array.from({ length: count }, () => ({ material, mm: mm / count }));
  });
  if (stacked.some(({ mm }) => !(mm > 0))) throw new RangeError('layersOf: a layer has no thickness');
  const solid = stacked.flatMap(({ material }, at) => (material === 'air' ? [] : [at]));
  if (solid.length === 0) throw new RangeError('layersOf: nothing but air');
  const resistance = ({ material, mm }: StackedLayer) => mm / 1000 / materials[material].conductivity;
  return solid.map((at, index) => {
    const layer = stacked[at] as StackedLayer;
    const next = solid[index + 1];
    const between = next === undefined ? [] : stacked.slice(at + 1, next);
    const halves = next === undefined ? 0 : (resistance(layer) + resistance(stacked[next] as StackedLayer)) / 2;
    return {
      name: layer.material,
      capacity: (materials[layer.material].heatCapacity * layer.mm) / 1000,
      toNext: next === undefined ? 0 : 1 / (halves + between.reduce((sum, gap) => sum + resistance(gap), 0)),
      toAmbient: index === 0 ? outerLoss : next === undefined ? innerLoss : 0,
    };
  });
}
