import type { CellRecord } from '@/core/battery/cellRecord';
import * as words from '@/words/catalogue/attributes';

/** What is known of a cell beside its grade, in sentences; nothing where nothing is. */
export const sayCell = (cell: CellRecord): string =>
  [
    cell.label && words.labelSays(cell.label),
    cell.ampHours !== undefined &&
      words.countedSays({
        ampHours: cell.ampHours,
        wattHours: cell.wattHours ?? 0,
        samples: cell.samples ?? 0,
        gaps: cell.gaps ?? 0,
        hasCelsius: cell.celsius === undefined ? 'no' : 'yes',
        celsius: cell.celsius ?? 0,
      }),
    cell.gaugeShare !== undefined && words.gaugeSays({ share: cell.gaugeShare }),
  ]
    .filter(Boolean)
    .join(' ');
