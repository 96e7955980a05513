import type { IncomingMessage, ServerResponse } from 'node:http';

export type BodyFault = 'too-large' | 'unmeasured';
export const mostBytes: number;
export function bodyFault(request: Pick<IncomingMessage, 'headers' | 'url'>): BodyFault | null;
export function refuseBody(fault: BodyFault, request: IncomingMessage, response: ServerResponse): void;
