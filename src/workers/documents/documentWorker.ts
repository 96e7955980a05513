import { documentJobs, type DocumentTask } from './documentJobs';

/** Runs in a thread of its own: whatever a document does to who reads it, pages go on. */
export default function readOne({ kind, given }: DocumentTask): unknown {
  return (documentJobs[kind] as (what: unknown) => unknown)(given);
}
