import type { ReadInputBarcodeFormat } from 'zxing-wasm/reader';

/** Tags are Data Matrix; serials are whatever a maker printed. */
const formats: ReadInputBarcodeFormat[] = [
  'DataMatrix',
  'QRCode',
  'Code128',
  'Code39',
  'Code93',
  'EAN13',
  'UPCA',
  'ITF',
];
const nativeFormats = ['data_matrix', 'qr_code', 'code_128', 'code_39', 'code_93', 'ean_13', 'upc_a', 'itf'];

/** Some browsers read codes by themselves; their types are not in the standard library yet. */
interface NativeDetector {
  detect(picture: CanvasImageSource): Promise<readonly { readonly rawValue: string }[]>;
}
interface NativeDetectorClass {
  new (options: { formats: readonly string[] }): NativeDetector;
  getSupportedFormats(): Promise<readonly string[]>;
}

export type FrameReader = (canvas: HTMLCanvasElement) => Promise<string | null>;

/** The browser's own reader where it knows the codes on our labels; else the package, loaded only now. */
export async function openFrameReader(): Promise<FrameReader> {
  const Native = (window as { BarcodeDetector?: NativeDetectorClass }).BarcodeDetector;
  const known = (await Native?.getSupportedFormats().catch(() => [])) ?? [];
  if (Native && known.includes('data_matrix')) {
    const detector = new Native({ formats: nativeFormats.filter((format) => known.includes(format)) });
    return async (canvas) => (await detector.detect(canvas))[0]?.rawValue ?? null;
  }
  const { prepareZXingModule, readBarcodes } = await import('zxing-wasm/reader');
  await prepareZXingModule({ overrides: { locateFile: () => '/api/code-reader' }, fireImmediately: true });
  return async (canvas) => {
    const picture = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height);
    const [first] = picture ? await readBarcodes(picture, { formats, maxNumberOfSymbols: 1 }) : [];
    return first?.isValid ? first.text : null;
  };
}
