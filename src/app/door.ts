import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { NextRequest } from 'next/server';
import { POST as takeFacts } from './api/facts/route';

/** Answers a request and says so, or leaves it to the framework. */
export type Door = (request: IncomingMessage, response: ServerResponse) => boolean;

type Route = (request: NextRequest, context: unknown) => Promise<Response>;

/** Routes that benches ask for all day. The framework costs such a request more than what it is for. */
const routes: Readonly<Record<string, Route>> = { 'POST /api/facts': takeFacts };

const headers = { 'cache-control': 'no-store' };

/** The same routes by the same guard, with nothing of the framework around them. */
export const door: Door = (request, response) => {
  const route = routes[`${request.method} ${request.url}`];
  if (!route) return false;
  void answer(route, request, response).catch((error: unknown) => {
    // Whoever asked is gone, or there is nothing left to say.
    if (!request.destroyed) console.error(error);
    response.destroy();
  });
  return true;
};

async function answer(route: Route, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const chunks: Buffer[] = [];
  // The server process has looked at its length already.
  for await (const chunk of request as AsyncIterable<Buffer>) chunks.push(chunk);
  const given = await route(asked(request, Buffer.concat(chunks)), {});
  response.writeHead(given.status, { ...Object.fromEntries(given.headers), ...headers });
  response.end(Buffer.from(await given.arrayBuffer()));
}

function asked(request: IncomingMessage, body: Buffer): NextRequest {
  const own = Object.entries(request.headers).map(([name, value]): [string, string] => [name, String(value)]);
  return new NextRequest(`http://${request.headers.host ?? 'localhost'}${request.url}`, {
    method: 'POST',
    headers: own,
    body: new Uint8Array(body),
  });
}
