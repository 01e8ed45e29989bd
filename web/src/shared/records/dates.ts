import type { DateFile } from '@jobbet/core/records';
import { api, type StoredDate } from '../api/client.ts';
import { houseRecords } from './houseRecords.ts';

export const DATES = 'dates';

/** The dates one set: runs, seasons, trips. */
export const {
  useAll: useDates,
  keep: keepDate,
  add: addDate,
  remove: removeDate,
} = houseRecords<DateFile, StoredDate>(DATES, {
  all: api.dates,
  create: api.createDate,
  save: api.saveDate,
  remove: api.removeDate,
  undelete: api.undeleteDate,
});
