import type { ErrorObject } from 'ajv';

/** Where a document first breaks its schema, as a path with dots, and how. */
export function schemaFault(errors: readonly ErrorObject[] | null | undefined): {
  readonly place: string;
  readonly error: ErrorObject | undefined;
} {
  const [error] = errors ?? [];
  const params = error?.params as { additionalProperty?: string; missingProperty?: string } | undefined;
  const property = params?.additionalProperty ?? params?.missingProperty;
  const path = [...(error?.instancePath ?? '').split('/').slice(1), ...(property ? [property] : [])];
  return { place: path.join('.') || 'document', error };
}
