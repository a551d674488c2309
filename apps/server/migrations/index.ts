import { Migration20261124000000_first } from './Migration20261124000000_first';
import { Migration20261125000000_depth } from './Migration20261125000000_depth';
import { Migration20261126000000_sessions } from './Migration20261126000000_sessions';
import { Migration20261127000000_deck } from './Migration20261127000000_deck';
import { Migration20261128000000_water } from './Migration20261128000000_water';
import { Migration20261129000000_tracks } from './Migration20261129000000_tracks';
import { Migration20261130000000_goal } from './Migration20261130000000_goal';
import { Migration20261201000000_trust } from './Migration20261201000000_trust';
import { Migration20261202000000_doors } from './Migration20261202000000_doors';
import { Migration20261203000000_people } from './Migration20261203000000_people';
import { Migration20261204000000_authors } from './Migration20261204000000_authors';
import { Migration20261205000000_freely } from './Migration20261205000000_freely';
import { Migration20261206000000_begin } from './Migration20261206000000_begin';
import { Migration20261207000000_join } from './Migration20261207000000_join';
import { Migration20261208000000_roster } from './Migration20261208000000_roster';
import { Migration20261209000000_words } from './Migration20261209000000_words';
import { Migration20261210000000_place } from './Migration20261210000000_place';
import { Migration20261211000000_library } from './Migration20261211000000_library';
import { Migration20261212000000_tonight } from './Migration20261212000000_tonight';
import { Migration20261213000000_looks } from './Migration20261213000000_looks';
import { Migration20261214000000_experience } from './Migration20261214000000_experience';
import { Migration20261215000000_stroke_times } from './Migration20261215000000_stroke_times';

/** All migrations in their order; listed by hand so that no file system is read at run time. */
export const MIGRATIONS = [
  { name: 'Migration20261124000000_first', class: Migration20261124000000_first },
  { name: 'Migration20261125000000_depth', class: Migration20261125000000_depth },
  { name: 'Migration20261126000000_sessions', class: Migration20261126000000_sessions },
  { name: 'Migration20261127000000_deck', class: Migration20261127000000_deck },
  { name: 'Migration20261128000000_water', class: Migration20261128000000_water },
  { name: 'Migration20261129000000_tracks', class: Migration20261129000000_tracks },
  { name: 'Migration20261130000000_goal', class: Migration20261130000000_goal },
  { name: 'Migration20261201000000_trust', class: Migration20261201000000_trust },
  { name: 'Migration20261202000000_doors', class: Migration20261202000000_doors },
  { name: 'Migration20261203000000_people', class: Migration20261203000000_people },
  { name: 'Migration20261204000000_authors', class: Migration20261204000000_authors },
  { name: 'Migration20261205000000_freely', class: Migration20261205000000_freely },
  { name: 'Migration20261206000000_begin', class: Migration20261206000000_begin },
  { name: 'Migration20261207000000_join', class: Migration20261207000000_join },
  { name: 'Migration20261208000000_roster', class: Migration20261208000000_roster },
  { name: 'Migration20261209000000_words', class: Migration20261209000000_words },
  { name: 'Migration20261210000000_place', class: Migration20261210000000_place },
  { name: 'Migration20261211000000_library', class: Migration20261211000000_library },
  { name: 'Migration20261212000000_tonight', class: Migration20261212000000_tonight },
  { name: 'Migration20261213000000_looks', class: Migration20261213000000_looks },
  { name: 'Migration20261214000000_experience', class: Migration20261214000000_experience },
  { name: 'Migration20261215000000_stroke_times', class: Migration20261215000000_stroke_times },
];
