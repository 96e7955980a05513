import type { Part } from '@/core/entities/entities';
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
    state: row.state,
    place: row.place,
    readings: row.readings,
    grade: row.grade,
    limiting: row.limiting,
    bin: row.bin,
    assignedTo: row.assigned_to,
    isDataCleared: row.is_data_cleared === 1,
    carries: row.carries,
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
    state: part.state,
    place: part.place,
    readings: JSON.stringify(part.readings),
    grade: part.grade,
    limiting: part.limiting,
    bin: part.bin,
    assigned_to: part.assignedTo,
    is_data_cleared: part.isDataCleared ? 1 : 0,
    carries: JSON.stringify(part.carries ?? []),
    findings: JSON.stringify(part.findings ?? []),
    version: part.version,
    last_fact_id: part.lastFactId,
  };
}
