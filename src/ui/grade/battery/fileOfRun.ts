import type { CellSample } from '@/core/instruments/message';

/** What an analyser streamed, as the file that it would have written: docs/formats/battery-log.md. */
export function fileOfRun(samples: readonly CellSample[]): File {
  const lines = samples.map((sample) => sample.map(String).join(';'));
  const hasCelsius = samples.some(({ length }) => length > 3);
  const head = ['Time (s)', 'Voltage (V)', 'Current (A)', ...(hasCelsius ? ['Temp (°C)'] : [])].join(';');
  return new File([[head, ...lines].join('\n')], 'stream.csv', { type: 'text/csv' });
}
