import type { Part } from '@/core/entities/entities';
import { conditionedAt } from '@/core/battery/conditioning';
import { cellDue } from '@/core/shelf/cellDue';
import type { PartRow } from '@/data/rows';

export function toPart(row: PartRow): Part {
  return {
    id: row.id,
    tag: row.tag,
    partRef: row.part_ref,
    modelId: row.model_id,
    category: row.category,
    interchange: row.interchange,
    unitId: row.unit_id,
    ...(row.bought && { bought: row.bought }),
    state: row.state,
    place: row.place,
    readings: row.readings,
    grade: row.grade,
    limiting: row.limiting,
    bin: row.bin,
    assignedTo: row.assigned_to,
    isDataCleared: row.is_data_cleared === 1,
    carries: row.carries,
    ...(row.reuse && { reuse: row.reuse }),
    ...(Object.keys(row.plus_minus).length > 0 && { plusMinus: row.plus_minus }),
    ...(row.cell && { cell: row.cell }),
    ...(row.conditioning && { conditioning: row.conditioning }),
    ...(row.reserved_for !== null && { reservedFor: row.reserved_for }),
    ...(row.stored_at !== null && { storedAt: row.stored_at }),
    ...(row.second_look && { secondLook: row.second_look }),
    // A part from before its findings had a depth.
    findings: row.findings.map((hit) => (typeof hit === 'string' ? { finding: hit, depthMm: 1 } : hit)),
    version: row.version,
    lastFactId: row.last_fact_id,
  };
}

export function fromPart(part: Part): Record<keyof PartRow, string | number | null> {
  return {
    id: part.id,
    tag: part.tag,
    part_ref: part.partRef,
    model_id: part.modelId,
    category: part.category,
    interchange: part.interchange,
    unit_id: part.unitId,
    bought: part.bought ? JSON.stringify(part.bought) : null,
    is_bought: part.bought ? 1 : 0,
    state: part.state,
    place: part.place,
    readings: JSON.stringify(part.readings),
    grade: part.grade,
    limiting: part.limiting,
    bin: part.bin,
    assigned_to: part.assignedTo,
    is_data_cleared: part.isDataCleared ? 1 : 0,
    carries: JSON.stringify(part.carries ?? []),
    plus_minus: JSON.stringify(part.plusMinus ?? {}),
    reuse: part.reuse ?? null,
    cell: part.cell ? JSON.stringify(part.cell) : null,
    conditioning: part.conditioning ? JSON.stringify(part.conditioning) : null,
    conditioned_at: part.conditioning ? new Date(conditionedAt(part.conditioning)).toISOString() : null,
    second_look: part.secondLook ? JSON.stringify(part.secondLook) : null,
    reserved_for: part.reservedFor ?? null,
    stored_at: part.storedAt ?? null,
    due_at: cellDue(part)?.at ?? null,
    findings: JSON.stringify(part.findings ?? []),
    version: part.version,
    last_fact_id: part.lastFactId,
  };
}
