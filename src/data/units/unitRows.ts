import type { Unit } from '@/core/entities/entities';
import { freshSheet } from '@/core/sheet/freshSheet';
import type { UnitRow } from '@/data/rows';

export function toUnit(row: UnitRow): Unit {
  return {
    id: row.id,
    tag: row.tag,
    parcelId: row.parcel_id,
    lineNo: row.line_no,
    stage: row.stage,
    modelId: row.model_id,
    modelVersion: row.model_version,
    revision: row.revision,
    configuration: row.configuration,
    variant: row.variant,
    serial: row.serial,
    marks: row.marks,
    photos: row.photos,
    found: row.found,
    tests: row.tests,
    disposition: row.disposition,
    apartPlace: row.apart_place,
    isWiped: row.is_wiped === 1,
    isOwnershipSettled: row.is_ownership_settled === 1,
    // A sheet from before something was kept of it has none of that.
    sheet: row.sheet && { ...freshSheet, ...row.sheet },
    timer: row.timer,
    assigned: row.assigned,
    promised: row.promised,
    fitted: row.fitted,
    proof: row.proof,
    saleGrade: row.sale_grade,
    shipment: row.shipment,
    version: row.version,
    lastFactId: row.last_fact_id,
  };
}

/** A unit as columns. JSON is written as text: the driver would spread an array over several values. */
export function fromUnit(unit: Unit): Record<keyof UnitRow, string | number | null> {
  return {
    id: unit.id,
    tag: unit.tag,
    parcel_id: unit.parcelId,
    line_no: unit.lineNo,
    stage: unit.stage,
    model_id: unit.modelId,
    model_version: unit.modelVersion,
    revision: unit.revision,
    configuration: unit.configuration,
    variant: unit.variant,
    serial: unit.serial,
    marks: JSON.stringify(unit.marks),
    found: JSON.stringify(unit.found ?? []),
    // What an old fact restores had none yet.
    photos: JSON.stringify(unit.photos ?? []),
    tests: JSON.stringify(unit.tests),
    disposition: unit.disposition,
    apart_place: unit.apartPlace,
    is_wiped: unit.isWiped ? 1 : 0,
    is_ownership_settled: unit.isOwnershipSettled ? 1 : 0,
    sheet: unit.sheet && JSON.stringify(unit.sheet),
    timer: unit.timer ? JSON.stringify(unit.timer) : null,
    assigned: JSON.stringify(unit.assigned),
    promised: JSON.stringify(unit.promised),
    fitted: JSON.stringify(unit.fitted),
    proof: JSON.stringify(unit.proof),
    sale_grade: unit.saleGrade,
    shipment: unit.shipment,
    version: unit.version,
    last_fact_id: unit.lastFactId,
  };
}
