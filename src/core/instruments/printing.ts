/** What can keep a label printer from printing. */
export const printerTroubles = ['no-paper', 'jammed'] as const;
export type PrinterTrouble = (typeof printerTroubles)[number];

/** What a label printer says each time that it asks for work: docs/formats/printing.md. */
export interface PrinterSays {
  /** Jobs that came out since it asked last. */
  readonly printed: readonly number[];
  /** As many labels as it takes on now. */
  readonly room: number;
  readonly trouble?: PrinterTrouble | null;
  /** By a stand-in, which prints nothing. */
  readonly isSimulated?: boolean;
}

/** A label before a printer: drawn at the size of the shop's paper. */
export interface PrintJob {
  readonly id: number;
  readonly tag: string;
  readonly svg: string;
}
