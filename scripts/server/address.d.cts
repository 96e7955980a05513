import type { IncomingMessage, ServerResponse } from 'node:http';

export function readableAddress(url?: string): boolean;
export function refuseAddress(request: IncomingMessage, response: ServerResponse): void;
