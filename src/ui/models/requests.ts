import { accept, refuse, type Outcome, type Refusal } from '@/core/shared/outcome';

/** Sends JSON to one of our own routes; an answer without a refusal is what was asked for. */
export async function send<T>(method: 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<Outcome<T>> {
  const response = await fetch(path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body ?? {}),
  }).catch(() => undefined);
  if (!response) return refuse('server-away');
  const answer = (await response.json().catch(() => ({}))) as { refusal?: Refusal };
  return answer.refusal ? { ok: false, refusal: answer.refusal } : accept(answer as T);
}
