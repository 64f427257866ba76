import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { CountWrite, StringWrite, CaptureWrite, SheetWrite, SiteWrite, VisitWrite } from '@plesion/contract';

/** What every record of fieldwork has; its content lies whole in one column, what is asked for by set in its own. */
export const fieldColumns = {
  stationId: p.uuid().primary(),
  id: p.uuid().primary(),
  version: p.integer(),
  hidden: p.boolean(),
  recordedBy: p.string(),
  createdAt: p.datetime(),
  updatedAt: p.datetime(),
};

type Content<W> = Omit<W, 'version' | 'hidden'>;

export const SiteEntity = defineEntity({
  name: 'Site',
  tableName: 'site',
  properties: { ...fieldColumns, content: p.json<Content<SiteWrite>>() },
});
export type SiteRecord = InferEntity<typeof SiteEntity>;

export const VisitEntity = defineEntity({
  name: 'Visit',
  tableName: 'visit',
  properties: {
    ...fieldColumns,
    siteId: p.uuid(),
    startedAt: p.datetime(),
    endedAt: p.datetime().nullable(),
    content: p.json<Content<VisitWrite>>(),
  },
});
export type VisitRecord = InferEntity<typeof VisitEntity>;

export const CaptureEntity = defineEntity({
  name: 'Capture',
  tableName: 'capture',
  properties: {
    ...fieldColumns,
    visitId: p.uuid(),
    at: p.datetime(),
    what: p.string(),
    mark: p.string().nullable(),
    /** When it is to be looked at again, as long as it was not. */
    due: p.string().columnType('date').nullable(),
    content: p.json<Content<CaptureWrite>>(),
  },
});
export type CaptureRecord = InferEntity<typeof CaptureEntity>;

export const StringEntity = defineEntity({
  name: 'RingString',
  tableName: 'ring_string',
  properties: { ...fieldColumns, content: p.json<Content<StringWrite>>() },
});
export type StringRecord = InferEntity<typeof StringEntity>;

export const CountEntity = defineEntity({
  name: 'FieldCount',
  tableName: 'field_count',
  properties: { ...fieldColumns, siteId: p.uuid().nullable(), at: p.datetime(), content: p.json<Content<CountWrite>>() },
});
export type CountRecord = InferEntity<typeof CountEntity>;

export const SheetEntity = defineEntity({
  name: 'FieldSheet',
  tableName: 'field_sheet',
  properties: { ...fieldColumns, content: p.json<Content<SheetWrite>>() },
});
export type SheetRecord = InferEntity<typeof SheetEntity>;

export const fieldEntities = [SiteEntity, VisitEntity, CaptureEntity, StringEntity, CountEntity, SheetEntity];
