import type { Parcel, ParcelLine } from '@/core/entities/entities';
import type { ParcelLineRow, ParcelRow } from '@/data/rows';

export function toParcel(row: ParcelRow): Parcel {
  return {
    id: row.id,
    code: row.code,
    supplier: row.supplier,
    pricePaidCents: row.price_paid_cents,
    transportCents: row.transport_cents,
    receivedOn: row.received_on,
    lineCount: row.line_count,
    costRule: row.cost_rule,
    isCounted: row.is_counted === 1,
    version: row.version,
    lastFactId: row.last_fact_id,
  };
}

export function fromParcel(parcel: Parcel): ParcelRow {
  return {
    id: parcel.id,
    code: parcel.code,
    supplier: parcel.supplier,
    price_paid_cents: parcel.pricePaidCents,
    transport_cents: parcel.transportCents,
    received_on: parcel.receivedOn,
    line_count: parcel.lineCount,
    cost_rule: parcel.costRule,
    is_counted: parcel.isCounted ? 1 : 0,
    version: parcel.version,
    last_fact_id: parcel.lastFactId,
  };
}

export function toLine(row: ParcelLineRow): ParcelLine {
  return {
    id: row.id,
    parcelId: row.parcel_id,
    lineNo: row.line_no,
    maker: row.maker,
    model: row.model,
    serial: row.serial,
    note: row.note,
    version: row.version,
    lastFactId: row.last_fact_id,
  };
}

export function fromLine(line: ParcelLine): ParcelLineRow {
  return {
    id: line.id,
    parcel_id: line.parcelId,
    line_no: line.lineNo,
    maker: line.maker,
    model: line.model,
    serial: line.serial,
    note: line.note,
    version: line.version,
    last_fact_id: line.lastFactId,
  };
}
