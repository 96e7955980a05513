import { accept, refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import { learnClock } from './shopClock';
import { whose } from './whose';

/** What says whose page a request comes from: the server takes nothing under another name. */
const byHeader = 'plucky-by';

const longestAnswerMs = 60_000;

/**
 * The one way from the screens to our own routes. A form or a picture goes as it is, a string as the JSON that it is,
 * all else as JSON.
 *
 * @param calledOff stops the request; its answer is then nothing that anybody waits for
 * @refuses what the route refuses; 'server-away' when nothing answers, 'fault' when the answer is not one of ours
 */
export async function send<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
  calledOff?: AbortSignal,
): Promise<Outcome<T>> {
  const isAsItIs = body instanceof FormData || body instanceof Blob;
  // A connection that hangs is one that is lost: whatever is sent again carries an id that the server knows.
  const timeout = AbortSignal.timeout(longestAnswerMs);
  const person = method === 'GET' ? null : whose();
  const headers = {
    ...(!isAsItIs && body !== undefined && { 'content-type': 'application/json' }),
    ...(person && { [byHeader]: person.id }),
  };
  const response = await fetch(path, {
    method,
    ...(Object.keys(headers).length > 0 && { headers }),
    ...(body !== undefined && { body: isAsItIs || typeof body === 'string' ? body : JSON.stringify(body) }),
    signal: calledOff ? AbortSignal.any([timeout, calledOff]) : timeout,
  }).catch(() => undefined);
  if (!response) return refuse('server-away');
  // What is only read may come from what this browser kept.
  if (method !== 'GET') learnClock(response.headers.get('date'));
  const answer = (await response.json().catch(() => undefined)) as { refusal?: Refusal } | undefined;
  if (answer?.refusal) return { ok: false, refusal: answer.refusal };
  return response.ok && answer !== undefined ? accept(answer as T) : refuse('fault');
}
