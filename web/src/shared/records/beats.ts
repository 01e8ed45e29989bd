import type { BeatFile } from '@jobbet/core/records';
import { api, type StoredBeat } from '../api/client.ts';
import { houseRecords } from './houseRecords.ts';

export const BEATS = 'beats';

/** The beats of the house. */
export const {
  useAll: useBeats,
  keep: keepBeat,
  add: addBeat,
  remove: removeBeat,
} = houseRecords<BeatFile, StoredBeat>(BEATS, {
  all: api.beats,
  create: api.createBeat,
  save: api.saveBeat,
  remove: api.removeBeat,
  undelete: api.undeleteBeat,
});
