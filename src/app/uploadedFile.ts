import type { NextRequest } from 'next/server';
import { refuse, type Outcome } from '@/core/shared/outcome';

export interface UploadedFile {
  readonly name: string;
  readonly bytes: Uint8Array;
  readonly form: FormData;
}

/** The file of a form. */
export async function uploadedFile(request: NextRequest): Promise<Outcome<UploadedFile>> {
  const form = await request.formData().catch(() => null);
  const file = form?.get('file');
  if (!form || !(file instanceof File)) return refuse('bad-input', { field: 'file', says: 'choose a file' });
  return { ok: true, value: { name: file.name.slice(0, 120), bytes: new Uint8Array(await file.arrayBuffer()), form } };
}
