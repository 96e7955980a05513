import type { IncomingMessage } from 'node:http';

export function masked(text: string): string;
export function note(what: string, fields?: Readonly<Record<string, unknown>>): void;
export function takeConsole(): void;
export function idOf(request: Pick<IncomingMessage, 'headers'>): string;
export function during<T>(id: string, work: () => T): T;
